<?php

declare(strict_types=1);

namespace Tests\Core\Pack;

use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Pack\Manifest;
use Ajuste\Core\Pack\PackData;
use Ajuste\Core\Pack\PackFigures;
use PHPUnit\Framework\TestCase;

final class PackFiguresTest extends TestCase
{
    /** @return array<string, string> */
    private static function item(string $id, string $side, string $base, string $account = '1100'): array
    {
        return ['id' => $id, 'account' => $account, 'side' => $side, 'base' => $base];
    }

    /** @return array<string, string> */
    private static function open(string $item, string $standing, string $base, string $due, string $account = '1100'): array
    {
        return [
            'item' => $item,
            'account' => $account,
            'customer' => 'A',
            'currency' => 'EUR',
            'base' => $base,
            'standing' => $standing,
            'date' => '2026-09-01',
            'due_date' => $due,
            'contested' => '0',
        ];
    }

    /**
     * @param list<array<string, string>> $open
     * @return array<string, string>
     */
    private static function figures(array $open, Credits $credits = Credits::Separate): array
    {
        return (new PackFigures('2026-10-31', Currency::of('EUR'), AgeBuckets::parse('30', AgedBasis::DueDate), $credits))->of(new PackData(
            [
                ['account' => '1100', 'base' => '10000'],
                ['account' => '4000', 'base' => '-10000'],
                ['account' => '1100', 'base' => '-3000'],
                ['account' => '1150', 'base' => '700'],
            ],
            [
                self::item('1', 'debit', '10000'),
                self::item('2', 'credit', '2500'),
                self::item('3', 'credit', '500'),
                self::item('4', 'debit', '700', '1150'),
            ],
            [['debit' => '1', 'credit' => '2', 'debit_base' => '2500', 'credit_base' => '2500']],
            $open,
        ));
    }

    public function test_every_figure_comes_of_the_rows_alone(): void
    {
        $open = [
            self::open('1', 'debit', '7500', '2026-10-30'),
            self::open('3', 'credit', '-500', '2026-09-01'),
            self::open('4', 'debit', '700', '2026-11-30', '1150'),
        ];
        self::assertSame([
            'aged 1-30 of 1100' => '75.00',
            'aged not_due of 1150' => '7.00',
            'aged unapplied of 1100' => '-5.00',
            'balance of 1100' => '70.00',
            'balance of 1150' => '7.00',
            'balance of 4000' => '-100.00',
            'customers on 1100' => '70.00',
            'customers on 1150' => '7.00',
        ], self::figures($open));
        self::assertSame('-5.00', self::figures($open, Credits::OwnDate)['aged over_30 of 1100']);
    }

    public function test_an_open_list_that_hides_or_adds_is_found(): void
    {
        self::assertSame('5.00', self::figures([
            self::open('1', 'debit', '7500', '2026-10-30'),
            self::open('4', 'debit', '700', '2026-11-30', '1150'),
        ])['carried beyond the open list']);
        self::assertSame('10.00', self::figures([
            self::open('1', 'debit', '7000', '2026-10-30'),
            self::open('3', 'credit', '-500', '2026-09-01'),
            self::open('4', 'debit', '700', '2026-11-30', '1150'),
            self::open('9', 'debit', '500', '2026-11-30'),
        ])['carried beyond the open list']);
    }

    public function test_a_match_of_items_that_are_not_there_is_found(): void
    {
        $rule = new PackFigures('2026-10-31', Currency::of('EUR'), AgeBuckets::parse('30', AgedBasis::DueDate), Credits::Separate);
        $match = ['debit' => '7', 'credit' => '8', 'debit_base' => '300', 'credit_base' => '200'];
        self::assertSame(['carried beyond the open list' => '5.00'], $rule->of(new PackData([], [], [$match], [])));
    }

    public function test_the_digest_of_a_file_is_its_sha_256(): void
    {
        // FIPS 180-2, appendix B.1: the digest of “abc”.
        $of = Manifest::of(['b' => 'abc', 'a' => '']);
        self::assertSame('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad', $of->digests['b']);
        self::assertSame(['a', 'b'], array_keys($of->digests));
        self::assertSame([], $of->faults(Manifest::of(['a' => '', 'b' => 'abc'])));
        self::assertSame(
            ['a is missing.', 'b was altered.', 'c does not belong to the pack.'],
            $of->faults(Manifest::of(['b' => 'abd', 'c' => ''])),
        );
    }
}
