<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

use Ajuste\Core\Exchange\Bank\XmlMessage;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Quote;
use Ajuste\Core\Refusal;
use DOMElement;

/**
 * Daily reference rates as the European Central Bank publishes them (eurofxref): cubes of a day, in each a cube with currency and rate,
 * units of it for one euro. Given as rows of the house's list of rates.
 */
final class RateXml
{
    /** The currency that the rates are for one of. */
    public const BASE = 'EUR';

    /** @param  string  $head the first bytes of a file */
    public static function recognises(string $head): bool
    {
        return str_contains($head, '<') && str_contains($head, 'eurofxref') && str_contains($head, 'Cube');
    }

    /**
     * @return non-empty-list<list<string>> headings first; currencies that are not known here are left out
     *
     * @throws Refusal when it is no well-formed XML, declares a document type, or a rate has no day
     */
    public static function rows(string $text): array
    {
        $message = XmlMessage::load($text, 'list of rates');
        $rows = [['date', 'currency', 'rate', 'quoted']];
        foreach ($message->all('//*[local-name()="Cube"][@currency]') as $cube) {
            $day = $cube->parentNode instanceof DOMElement ? $cube->parentNode->getAttribute('time') : '';
            if ($day === '') {
                throw new Refusal(
                    "The rate of {$cube->getAttribute('currency')} stands below no day (time). Ask for the list of rates again.",
                );
            }
            if (Currency::isKnown($cube->getAttribute('currency'))) {
                $rows[] = [$day, $cube->getAttribute('currency'), $cube->getAttribute('rate'), Quote::UnitPerBase->value];
            }
        }

        return $rows;
    }
}
