<?php

declare(strict_types=1);

namespace Ajuste\Core\Money;

use Ajuste\Core\Refusal;

/** A currency of ISO 4217 with its number of decimals (the exponent of its minor unit). */
final readonly class Currency
{
    /** Active codes of ISO 4217, list one, without funds, metals and testing codes. */
    private const CODES =
        'AED AFN ALL AMD ANG AOA ARS AUD AWG AZN BAM BBD BDT BGN BHD BIF BMD BND BOB BRL BSD BTN BWP '.
        'BYN BZD CAD CDF CHF CLP CNY COP CRC CUP CVE CZK DJF DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD '.
        'GNF GTQ GYD HKD HNL HTG HUF IDR ILS INR IQD IRR ISK JMD JOD JPY KES KGS KHR KMF KPW KRW KWD KYD KZT LAK LBP '.
        'LKR LRD LSL LYD MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD OMR PAB PEN '.
        'PGK PHP PKR PLN PYG QAR RON RSD RUB RWF SAR SBD SCR SDG SEK SGD SHP SLE SOS SRD SSP STN SVC SYP SZL THB TJS '.
        'TMT TND TOP TRY TTD TWD TZS UAH UGX USD UYU UZS VED VES VND VUV WST XAD XAF XCD XCG XOF XPF YER ZAR ZMW ZWG';

    /** Those whose minor unit is not a hundredth. */
    private const DECIMALS = [
        'BIF' => 0,
        'CLP' => 0,
        'DJF' => 0,
        'GNF' => 0,
        'ISK' => 0,
        'JPY' => 0,
        'KMF' => 0,
        'KRW' => 0,
        'PYG' => 0,
        'RWF' => 0,
        'UGX' => 0,
        'VND' => 0,
        'VUV' => 0,
        'XAF' => 0,
        'XOF' => 0,
        'XPF' => 0,
        'BHD' => 3,
        'IQD' => 3,
        'JOD' => 3,
        'KWD' => 3,
        'LYD' => 3,
        'OMR' => 3,
        'TND' => 3,
    ];

    private function __construct(public string $code, public int $decimals) {}

    public function is(self $other): bool
    {
        return $this->code === $other->code;
    }

    /**
     * The currency with this code of three capitals.
     *
     * @throws Refusal when ISO 4217 does not list the code
     */
    public static function of(string $code): self
    {
        /** @var array<string, self> $known */
        static $known = [];

        return $known[$code] ??= self::isKnown($code)
            ? new self($code, self::DECIMALS[$code] ?? 2)
            : throw new Refusal("“{$code}” is not a currency code of ISO 4217; three capitals such as EUR are expected.");
    }

    public static function isKnown(string $code): bool
    {
        return preg_match('/^[A-Z]{3}$/D', $code) === 1 && str_contains(self::CODES, $code);
    }

    /** @return list<string> every code known here */
    public static function codes(): array
    {
        return explode(' ', self::CODES);
    }

    /** Minor units in one unit: 100 for EUR, 1 for JPY, 1000 for KWD. */
    public function minorPerUnit(): int
    {
        return 10 ** $this->decimals;
    }
}
