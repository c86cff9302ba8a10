<?php

declare(strict_types=1);

namespace App\Support;

use RuntimeException;

/** A person has cancelled the work; what it had done so far is taken back. */
final class Cancelled extends RuntimeException {}
