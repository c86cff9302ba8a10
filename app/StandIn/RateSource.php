<?php

declare(strict_types=1);

namespace App\StandIn;

use Ajuste\Core\Exchange\RateXml;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Refusal;
use App\Queries\ForeignCurrencies;
use App\Queries\Rates;
use App\Queries\Settings;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/**
 * A simulated source of reference rates that ships with Ajuste: for a day it gives the rates of the currencies in use, each a little from
 * the last one, in the form of the European Central Bank. The same books and day give the same rates.
 */
final readonly class RateSource
{
    public function __construct(private Settings $settings, private Rates $rates, private ForeignCurrencies $currencies) {}

    /**
     * @return string the XML
     *
     * @throws Refusal when the books are not kept in EUR, or no rate came before
     */
    public function ofDay(string $day): string
    {
        if ($this->settings->base()->code !== RateXml::BASE) {
            throw new Refusal('The source that ships with Ajuste gives rates for one EUR. Hand in rates.csv.');
        }
        $cubes = '';
        foreach ($this->currencies->inUse() as $code) {
            $last = $this->rates->before(Currency::of($code), $day);
            if ($last !== null) {
                $perUnit = BigRational::one()->dividedBy($last->rate->perUnit());
                $step = (crc32("{$code} {$day}") % 101 - 50) / 10_000; // at most half a percent either way
                $value = $perUnit->multipliedBy(BigDecimal::of((string) (1 + $step)))->toScale(5, RoundingMode::HALF_UP);
                $cubes .= "<Cube currency=\"{$code}\" rate=\"{$value}\"/>";
            }
        }
        if ($cubes === '') {
            throw new Refusal(
                'No rate came before, so that the source that ships with Ajuste has nothing to go on from. Hand in rates.csv.',
            );
        }

        return '<?xml version="1.0" encoding="UTF-8"?><Envelope xmlns="http://www.ecb.int/vocabulary/2002-08-01/eurofxref"><Cube><Cube '
            ."time=\"{$day}\">{$cubes}</Cube></Cube></Envelope>";
    }
}
