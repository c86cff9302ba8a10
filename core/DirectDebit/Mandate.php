<?php

declare(strict_types=1);

namespace Ajuste\Core\DirectDebit;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Exchange\Bank\Iban;
use Ajuste\Core\Exchange\Bank\SwiftText;
use Ajuste\Core\Refusal;

/** A customer's signed leave to collect from an account. */
final readonly class Mandate
{
    /** A mandate that was not used for so many months has lapsed (SEPA rulebooks, from memory). */
    public const LAPSES_AFTER_MONTHS = 36;

    public string $iban;

    /**
     * @param string $reference that the payer's bank knows it by, unique, in the characters that every bank takes
     * @param string $holder who holds the account
     * @param string $signed day on which it was signed
     *
     * @throws Refusal when the reference is empty, too long or not in the characters of banks, the account number does not hold, or nobody
     *                 holds the account
     */
    public function __construct(
        public string $reference,
        public string $holder,
        string $iban,
        public string $signed,
        public Scheme $scheme,
        public MandateUse $use,
    ) {
        if ($reference === '' || SwiftText::of($reference, 35) !== $reference) {
            throw new Refusal(
                "The reference of a mandate has 1 to 35 characters that every bank takes: Latin letters, figures and / - ? : ( ) . , ' +. "
                    ."\"{$reference}\" was found.",
            );
        }
        if (! Iban::isValid($iban)) {
            throw new Refusal("The account number \"{$iban}\" does not hold (ISO 13616). Look at the mandate again.");
        }
        if (trim($holder) === '') {
            throw new Refusal('Name who holds the account, as the mandate has it.');
        }
        $this->iban = Iban::plain($iban);
    }

    /**
     * Why nothing can be collected under it on a day; blank when it can.
     *
     * @param string $day of the collection
     */
    public function whyNot(string $day, MandateHistory $history): string
    {
        $lastUse = $history->lastCollected ?? $this->signed;

        return match (true) {
            $day < $this->signed => "it is signed on {$this->signed} only",
            $history->ended !== '' && $history->ended <= $day => "it ended on {$history->ended}",
            $history->lastReturn?->endsMandate() ?? false => 'the last debit came back: '
                ."{$history->lastReturn->words()}; a new mandate is needed",
            $this->use === MandateUse::Once && $history->lastCollected !== null => "it was for one debit, of {$history->lastCollected}",
            Day::plusMonths($lastUse, self::LAPSES_AFTER_MONTHS) < $day => 'it was not used for '.self::LAPSES_AFTER_MONTHS.' months',
            default => '',
        };
    }
}
