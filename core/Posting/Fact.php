<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting;

/** Something that a plan states beside vouchers, items and matches: where money was put, what is contested, what was paid back. */
interface Fact {}
