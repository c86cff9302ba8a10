<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** What becomes of a credit note once it is posted. */
enum CreditNoteUse
{
    /** It settles its invoices at once. */
    case Settles;

    /** It stays unapplied. */
    case StaysUnapplied;
}
