<?php

declare(strict_types=1);

namespace Ajuste\Core;

/** Why a refusal was made, for programs and tests to ask; its words are for people. */
enum RefusalKind: string
{
    /** What was asked for does not fit: an amount, a date, a choice. */
    case Input = 'input';

    /** The day, or what stands on it, is locked. */
    case Locked = 'locked';

    /** The books have changed since the person looked. */
    case Changed = 'changed';

    /** It was done already. */
    case Done = 'done';

    /** What is named is not there. */
    case NotFound = 'not_found';

    /** The books lack something that a rule needs: an account, a rate, bank details. */
    case Setup = 'setup';

    /** Somebody else has to do it. */
    case Rights = 'rights';
}
