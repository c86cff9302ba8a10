<?php

declare(strict_types=1);

namespace Tests\Core\Exchange;

use Ajuste\Core\Exchange\RowFault;
use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Exchange\SettingsInForce;
use Ajuste\Core\Exchange\SettingVersion;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Run\RunKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A policy holds from a day on; the days before keep what held then. */
final class SettingsInForceTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function days(): iterable
    {
        yield 'before any day is named' => ['2026-08-31', '5.00'];
        yield 'the day before' => ['2026-09-30', '5.00'];
        yield 'the day itself' => ['2026-10-01', '8.00'];
        yield 'until the next one' => ['2026-10-31', '8.00'];
        yield 'a day that is still to come' => ['2026-11-01', '10.00'];
        yield 'the beginning' => ['', '5.00'];
    }

    #[DataProvider('days')]
    public function test_of_each_day_the_latest_version_holds_and_the_last_word_of_equal_ones(string $day, string $holds): void
    {
        $settings = SettingsInForce::on($day, [
            new SettingVersion('residue_limit', '4.00'),
            new SettingVersion('residue_limit', '10.00', '2026-11-01'),
            new SettingVersion('residue_limit', '7.00', '2026-10-01'),
            new SettingVersion('residue_limit', '8.00', '2026-10-01'),
            new SettingVersion('residue_limit', '5.00'),
        ]);
        self::assertSame($holds, $settings->money(Setting::ResidueLimit)->decimal());
        self::assertSame($holds, $settings->named('residue_limit'));
    }

    public function test_what_was_never_said_has_its_default_and_nothing_for_one_currency_or_run(): void
    {
        $settings = SettingsInForce::on('2026-10-31', [
            new SettingVersion('residue_limit.GBP', '4.00'),
            new SettingVersion('residue_cap_run', ''),
            new SettingVersion('tax_relief_write_offs', 'yes'),
            new SettingVersion('approval_limit.contra', '50.00'),
        ]);
        self::assertSame('30', $settings->text(Setting::ResidueDays));
        self::assertSame(30, $settings->whole(Setting::ResidueDays));
        self::assertNull($settings->said('residue_days'));
        self::assertSame('', $settings->named('residue_limit.USD'));
        self::assertSame('', $settings->in(Setting::ResidueLimit, Currency::of('USD')));
        self::assertSame('4.00', $settings->in(Setting::ResidueLimit, Currency::of('GBP')));
        self::assertSame('50.00', $settings->ofRun(Setting::ApprovalLimit, RunKind::Contra));
        self::assertNull($settings->moneyOrNone(Setting::ResidueCapRun));
        self::assertSame('100.00', $settings->moneyOrNone(Setting::ApprovalLimit)?->decimal());
        self::assertTrue($settings->isOn(Setting::TaxReliefWriteOffs));
        self::assertFalse($settings->isOn(Setting::DiscountPartPayments));
        $limits = $settings->byCurrency(Setting::ResidueLimit);
        self::assertSame(['EUR', 'GBP'], array_keys($limits));
        self::assertSame('5.00 4.00', "{$limits['EUR']->decimal()} {$limits['GBP']->decimal()}");
        $this->expectException(RowFault::class);
        $settings->named('nothing');
    }
}
