<?php

declare(strict_types=1);

namespace Ajuste\Core\Settlement;

/** What becomes of a credit note once it is posted. */
enum CreditNoteUse: string
{
    /** It settles its invoices at once. */
    case Settles = 'settles';

    /** It stays unapplied. */
    case StaysUnapplied = 'stays_unapplied';
}
