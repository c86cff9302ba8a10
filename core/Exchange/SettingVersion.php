<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** What a setting was said to be. */
final readonly class SettingVersion
{
    /**
     * @param string $name as settings.csv has it, such as `residue_limit.GBP`
     * @param string $from the first day on which it holds; blank: from the beginning
     */
    public function __construct(public string $name, public string $value, public string $from = '') {}
}
