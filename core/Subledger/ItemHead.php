<?php

declare(strict_types=1);

namespace Ajuste\Core\Subledger;

use LogicException;

/** What a document says of itself, its amounts left out (R1). */
final readonly class ItemHead
{
    /**
     * @param string $reference what it refers to: the payer's words, another document, a reason's code; or blank
     * @param string $terms payment terms as written, or blank
     *
     * @throws LogicException when the side is not the kind's: whoever made it is wrong
     */
    public function __construct(
        public string $document,
        public Kind $kind,
        public Side $side,
        public CustomerAccount $account,
        public string $date,
        public string $dueDate,
        public string $reference = '',
        public string $terms = '',
    ) {
        if (($kind->side() ?? $side) !== $side) {
            throw new LogicException("{$kind->value} {$document} cannot stand on the {$side->value} side.");
        }
    }

    /** A credit that is due on its own day. */
    public static function credit(string $document, Kind $kind, CustomerAccount $account, string $date, string $reference = ''): self
    {
        return new self($document, $kind, Side::Credit, $account, $date, $date, $reference);
    }

    /** A debit that is due on its own day. */
    public static function debit(string $document, Kind $kind, CustomerAccount $account, string $date, string $reference = ''): self
    {
        return new self($document, $kind, Side::Debit, $account, $date, $date, $reference);
    }

    public function title(): string
    {
        return ucfirst($this->kind->words()).' '.$this->document;
    }
}
