<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Refusal;

/** What a bank says to a payment or collection order: a payment status report of ISO 20022, pain.002. */
final class OrderAnswer
{
    /**
     * What the bank says of each transfer or debit.
     *
     * @return array<string, array{bool, string}> whether it is accepted, and why not, by end-to-end reference
     *
     * @throws Refusal when the text is no such answer
     */
    public static function read(string $xml): array
    {
        $answer = XmlMessage::load($xml, 'answer');
        $found = $answer->all('//*[local-name()="TxInfAndSts"]');
        if ($found === []) {
            throw new Refusal('This is no answer to an order; pain.002 of ISO 20022 is expected.');
        }
        $answers = [];
        foreach ($found as $transaction) {
            $answers[$answer->text($transaction, 'OrgnlEndToEndId')] = [
                $answer->text($transaction, 'TxSts') !== 'RJCT',
                $answer->text($transaction, 'StsRsnInf/AddtlInf') ?: $answer->text($transaction, 'StsRsnInf/Rsn/Cd'),
            ];
        }

        return $answers;
    }
}
