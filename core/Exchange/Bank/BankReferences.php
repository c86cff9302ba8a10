<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

/** The names under which a movement is known. Blank where there is none. */
final readonly class BankReferences
{
    /** What banks write where they have no name to give. */
    private const NONE = ['NONREF', 'NOTPROVIDED', 'NOT PROVIDED', 'NOTAVAILABLE', 'UNKNOWN', 'NONE', '0'];

    /** The bank's own. */
    public string $bank;

    /** The payer's, unchanged from end to end. */
    public string $endToEnd;

    public function __construct(string $bank = '', string $endToEnd = '')
    {
        $this->bank = self::given($bank);
        $this->endToEnd = self::given($endToEnd);
    }

    private static function given(string $name): string
    {
        $name = trim($name);

        return in_array(strtoupper($name), self::NONE, true) ? '' : $name;
    }
}
