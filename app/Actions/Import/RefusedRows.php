<?php

declare(strict_types=1);

namespace App\Actions\Import;

/** What becomes of files of which some rows are refused. */
enum RefusedRows
{
    /** Nothing of them is taken in. */
    case RefuseAll;

    /** Likewise where one of them is dated in a locked period. */
    case RefuseLateToo;

    /** The others are taken in, and these wait on Intake. */
    case SetAside;
}
