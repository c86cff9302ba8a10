<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Exchange\Mod97;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Proposal\Candidate;
use Ajuste\Core\Proposal\CombinationSearch;
use Ajuste\Core\Proposal\CreditorReference;
use Ajuste\Core\Proposal\FillOrder;
use Ajuste\Core\Proposal\Proposal;
use Ajuste\Core\Proposal\ProposalPolicy;
use Ajuste\Core\Proposal\Proposer;
use Ajuste\Core\Proposal\ReferenceReader;
use Ajuste\Core\Proposal\Searched;
use Ajuste\Core\Proposal\Settles;
use Ajuste\Core\Proposal\Way;
use Ajuste\Core\Subledger\CustomerAccount;
use Ajuste\Core\Subledger\ItemHead;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenInstalment;
use Ajuste\Core\Subledger\OpenItem;
use Ajuste\Core\Subledger\Position;
use Ajuste\Core\Subledger\Side;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ProposerTest extends TestCase
{
    private int $ids = 0;

    private function debit(
        string $document,
        int $open,
        string $due = '2026-10-10',
        int $discount = 0,
        string $reference = '',
        string $date = '2026-09-10',
    ): Candidate {
        return new Candidate(++$this->ids, $document, Side::Debit, $date, $due, $open, $discount, $reference);
    }

    private function credit(string $document, int $open, string $due = '2026-10-10'): Candidate
    {
        return new Candidate(++$this->ids, $document, Side::Credit, '2026-09-10', $due, $open);
    }

    /** @param  list<Candidate>  $items */
    private function propose(int $amount, array $items, string $remittance = '', ?ProposalPolicy $policy = null): Proposal
    {
        return (new Proposer($policy ?? new ProposalPolicy()))->propose($amount, '2026-10-29', $remittance, $items);
    }

    /** @return list<string> */
    private static function settles(Proposal $proposal): array
    {
        return array_map(
            static fn (Settles $of): string => $of->item->document.' '.$of->amount.($of->discount > 0 ? "-{$of->discount}" : ''),
            $proposal->settles,
        );
    }

    public function test_quoted_documents_that_make_the_receipt(): void
    {
        $items = [$this->debit('20261', 400000), $this->debit('20274', 231040), $this->debit('20280', 631040)];
        $proposal = $this->propose(631040, $items, 'Ultramar Pantry SL, 20261 + 20274');
        self::assertSame(
            [Way::Quoted, true, ['20261 400000', '20274 231040'], 0],
            [$proposal->how, $proposal->only, self::settles($proposal), $proposal->unapplied],
        );
    }

    public function test_a_quotation_may_mix_gross_and_net_and_take_credits(): void
    {
        $items = [$this->debit('1001', 121000, discount: 2420), $this->debit('1002', 50000, discount: 1000), $this->credit('CN77', 10000)];
        $proposal = $this->propose(121000 - 2420 + 50000 - 10000, $items, '1001 1002 CN77');
        self::assertSame(
            [Way::Quoted, true, ['1001 121000-2420', '1002 50000', 'CN77 10000']],
            [$proposal->how, $proposal->only, self::settles($proposal)],
        );
    }

    /** Items 412.30, 388.00, 251.75 (sum 1,052.05), cash 987.15: 64.90 to explain. */
    public function test_quoted_items_are_never_dropped_for_a_guess(): void
    {
        $items = [
            $this->debit('20301', 41230, '2026-10-12'),
            $this->debit('20318', 38800, '2026-10-18'),
            $this->debit('20322', 25175, '2026-10-23'),
            $this->debit('20340', 98715, '2026-11-09'),
        ];
        $short = $this->propose(98715, $items, 'remittance 5518: 20301, 20318; 20322');
        self::assertSame(
            [Way::QuotedShort, ['20301 41230', '20318 38800', '20322 18685'], -6490, 0],
            [$short->how, self::settles($short), $short->difference, $short->unapplied],
        );
        $more = $this->propose(50000, $items, '20301');
        self::assertSame(
            [Way::QuotedShort, ['20301 41230'], 8770, 8770],
            [$more->how, self::settles($more), $more->difference, $more->unapplied],
        );
    }

    public function test_exact_and_exact_net(): void
    {
        $exact = $this->propose(500, [$this->debit('B', 500, '2026-10-09'), $this->debit('A', 500, '2026-10-08'), $this->debit('C', 700)]);
        self::assertSame([Way::Exact, false, ['A 500']], [$exact->how, $exact->only, self::settles($exact)]);
        $net = $this->propose(118580, [$this->debit('A', 121000, discount: 2420), $this->debit('B', 30000)]);
        self::assertSame([Way::ExactNet, true, ['A 121000-2420'], 0], [$net->how, $net->only, self::settles($net), $net->difference]);
    }

    public function test_all_that_is_due_and_the_whole_balance(): void
    {
        $items = [
            $this->debit('A', 500, '2026-10-09'),
            $this->debit('B', 300, '2026-10-29'),
            $this->credit('N', 100, '2026-10-01'),
            $this->debit('C', 900, '2026-10-30'),
        ];
        self::assertSame(
            [Way::AllDue, ['N 100', 'A 500', 'B 300']],
            [$this->propose(700, $items)->how, self::settles($this->propose(700, $items))],
        );
        self::assertSame(Way::WholeBalance, $this->propose(1600, $items)->how);
    }

    public function test_within_the_tolerance_of_amount_and_percent(): void
    {
        $items = [$this->debit('A', 50000), $this->debit('B', 77700)];
        $short = $this->propose(49900, $items);
        self::assertSame(
            [Way::WithinTolerance, ['A 50000'], -100, 0],
            [$short->how, self::settles($short), $short->difference, $short->unapplied],
        );
        $over = $this->propose(50050, $items);
        self::assertSame([Way::WithinTolerance, 50, 50], [$over->how, $over->difference, $over->unapplied]);
        self::assertNotSame(Way::WithinTolerance, $this->propose(49899, $items)->how); // above 1.00
        self::assertNotSame(Way::WithinTolerance, $this->propose(9940, [$this->debit('A', 10000)])->how); // above 0.5 %
    }

    public function test_a_combination_takes_the_fewest_items_then_the_oldest(): void
    {
        $items = [
            $this->debit('A', 300, '2026-10-01'),
            $this->debit('B', 200, '2026-10-02'),
            $this->debit('C', 100, '2026-10-03'),
            $this->debit('D', 400, '2026-10-04'),
            $this->debit('E', 9999, '2026-10-05'),
        ];
        $proposal = $this->propose(600, $items);
        self::assertSame(
            [Way::Combination, false, ['B 200', 'D 400'], Searched::All],
            [$proposal->how, $proposal->only, self::settles($proposal), $proposal->searched],
        );
        $only = $this->propose(10199, $items);
        self::assertSame([Way::Combination, true, ['B 200', 'E 9999']], [$only->how, $only->only, self::settles($only)]);
        $credit = $this->propose(9899, [...$items, $this->credit('N', 100)]);
        self::assertSame(['E 9999', 'N 100'], self::settles($credit));
    }

    /** 1,500.00 over 900.00, 850.00, 400.00 → 900.00 and 600.00. */
    public function test_by_order(): void
    {
        $items = [$this->debit('A', 90000, '2026-10-01'), $this->debit('B', 85000, '2026-10-02'), $this->debit('C', 40000, '2026-10-03')];
        $by = fn (FillOrder $order): array => self::settles($this->propose(150000, $items, policy: new ProposalPolicy(order: $order)));
        self::assertSame(['A 90000', 'B 60000'], $by(FillOrder::OldestDue));
        self::assertSame(['C 40000', 'B 85000', 'A 25000'], $by(FillOrder::Smallest));
        self::assertSame(['A 90000', 'B 60000'], $by(FillOrder::Largest));
        self::assertSame(['A 62791', 'B 59302', 'C 27907'], $by(FillOrder::ProRata));
        self::assertSame(7, $this->propose(215007, $items)->unapplied);
    }

    public function test_nothing_open(): void
    {
        self::assertSame([Way::None, 500], [$this->propose(500, [])->how, $this->propose(500, [])->unapplied]);
        // A document dated after the value date is left out.
        self::assertSame(Way::None, $this->propose(500, [$this->debit('A', 500, date: '2026-10-30')])->how);
    }

    public function test_among_too_many_items_no_combination_is_offered(): void
    {
        $items = array_map(fn (int $n): Candidate => $this->debit("D{$n}", 1000 + $n), range(1, 41));
        $proposal = $this->propose(2003, $items);
        self::assertSame([Way::ByOrder, Searched::TooMany], [$proposal->how, $proposal->searched]);
    }

    /** @return iterable<string, array{string, list<string>, list<string>}> text, documents, quoted ones */
    public static function quotations(): iterable
    {
        yield 'plain' => ['pago 20301 y 20318', ['20301', '20318', '2030'], ['20301', '20318']];
        yield 'never inside a longer number' => ['120301 203010 2030', ['20301'], []];
        yield 'leading zeros' => ['invoice 0020301', ['20301'], ['20301']];
        yield 'zeros of the document' => ['invoice 301', ['INV-000301'], ['INV-000301']];
        yield 'prefix left out' => ['20301', ['INV20301'], ['INV20301']];
        yield 'prefix added' => ['RE-20301', ['20301'], ['20301']];
        yield 'prefix apart' => ['INV 20301', ['INV20301', 'CN20301'], ['INV20301']];
        yield 'prefix open' => ['20301', ['INV20301', 'CN20301'], ['CN20301', 'INV20301']];
        yield 'separators' => ['2026-0042; 2026/43, 2026.44', ['2026/0042', '202643', '2026-44'], ['2026-44', '2026/0042', '202643']];
        yield 'a comma ends' => ['20301,20318', ['20301', '20318'], ['20301', '20318']];
        yield 'a slash parts two numbers' => ['20301/20318', ['20301', '20318'], ['20301', '20318']];
        yield 'a dash too' => ['20301-20318-20322', ['20301', '20322'], ['20301', '20322']];
        yield 'a slash within a known number' => ['2026/0042', ['2026/0042', '2026', '0042'], ['2026/0042']];
        yield 'known numbers with slashes, joined by dashes' => ['2026/42-2026/43', ['2026/42', '2026/43'], ['2026/42', '2026/43']];
        yield 'a line that breaks a number' => ["pago 203\n01 y 20318", ['20301', '20318'], ['20301', '20318']];
        yield 'a line that ends with a number' => ["20301\n20318", ['20301', '20318'], ['20301', '20318']];
        yield 'a line that breaks a prefix from its number' => ["INV-\n20301", ['INV-20301'], ['INV-20301']];
        yield 'a line that breaks within the figures' => ["2026/\n0042 and x", ['2026/0042'], ['2026/0042']];
        yield 'short pieces of an unknown number' => ['12/34', ['12', '34'], ['12', '34']];
        yield 'blank in the document' => ['bill A 12 44 thanks', ['A 12 44'], ['A 12 44']];
        yield 'blank in the document, written together' => ['bill A1244', ['A 12 44'], ['A 12 44']];
        yield 'letters behind' => ['20301A', ['20301', '20301A'], ['20301A']];
        yield 'a short one with its prefix only' => ['I1 and 2 boxes', ['I1', 'I2'], ['I1']];
        yield 'case' => ['inv20301', ['INV20301'], ['INV20301']];
        yield 'nothing' => ['', ['20301'], []];
    }

    /**
     * @param list<string> $documents
     * @param list<string> $quoted
     */
    #[DataProvider('quotations')]
    public function test_reading_a_remittance(string $text, array $documents, array $quoted): void
    {
        $found = array_map(
            static fn (Candidate $item): string => $item->document,
            ReferenceReader::quoted($text, array_map(fn (string $document): Candidate => $this->debit($document, 1), $documents)),
        );
        sort($found);
        sort($quoted);
        self::assertSame($quoted, $found);
    }

    /** ISO 11649, RF18 5390 0754 7034; any one figure changed is refused (ISO 7064 MOD 97-10). */
    public function test_structured_creditor_references(): void
    {
        self::assertTrue(CreditorReference::isValid('RF18 5390 0754 7034'));
        $plain = 'RF18539007547034';
        for ($place = 2; $place < strlen($plain); $place++) {
            foreach (range(0, 9) as $digit) {
                $changed = substr_replace($plain, (string) $digit, $place, 1);
                self::assertSame($changed === $plain, CreditorReference::isValid($changed), $changed);
            }
        }
        self::assertSame([$plain], CreditorReference::within('ref RF18 5390 0754 7034 thank you'));
        self::assertSame([$plain], CreditorReference::within("refRF18 5390 0754\n7034"));
        self::assertSame([], CreditorReference::within('RF19 5390 0754 7034'));
        $other =
            'RF'.
            sprintf(
                '%02d',
                array_values(
                    array_filter(range(2, 98), static fn (int $check): bool => CreditorReference::isValid(sprintf('RF%02dA1', $check))),
                )[0],
            ).
            'A1';
        self::assertSame([$plain, $other], CreditorReference::within("{$plain} {$other}, {$plain}"));
        self::assertSame([$other, $plain], CreditorReference::within("{$other} {$plain}"));
        self::assertSame(
            ['A'],
            array_map(
                static fn (Candidate $item): string => $item->document,
                ReferenceReader::quoted('RF18 5390 0754 7034', [$this->debit('A', 1, reference: 'RF18539007547034'), $this->debit('B', 1)]),
            ),
        );
        self::assertSame(
            ['539007547034'],
            array_map(
                static fn (Candidate $item): string => $item->document,
                ReferenceReader::quoted('RF18 5390 0754 7034', [$this->debit('539007547034', 1)]),
            ),
        );
    }

    /** The check digits that ISO 11649 and ISO 13616 print with their examples (RF18 …, GB29 NWBK …, DE89 3704 …). */
    public function test_a_customer_has_a_reference_of_its_own_that_quotes_no_document(): void
    {
        self::assertSame(
            ['18', '29', '89'],
            [Mod97::digits('RF', '539007547034'), Mod97::digits('GB', 'NWBK60161331926819'), Mod97::digits('DE', '370400440532013000')],
        );
        foreach (['3001', 'c-3 001', 'A', str_repeat('9', 18)] as $number) {
            self::assertTrue(CreditorReference::isValid(CreditorReference::ofCustomer($number)), $number);
        }
        self::assertSame(['', ''], [CreditorReference::ofCustomer(str_repeat('9', 19)), CreditorReference::ofCustomer(' – ')]);
        $reference = CreditorReference::ofCustomer('3001');
        self::assertSame('3001ACC', substr($reference, 4));
        $onPaper = CreditorReference::grouped($reference);
        self::assertSame(substr($reference, 0, 4).' 3001 ACC', $onPaper);
        $items = [$this->debit('F3001', 1), $this->debit('F3002', 2), $this->debit('3001', 3)];
        foreach ([$reference, $onPaper, strtolower($onPaper)] as $said) {
            $quoted = ReferenceReader::quoted("{$said} and F3002", $items);
            self::assertSame(['F3002'], array_map(static fn (Candidate $of): string => $of->document, $quoted), $said);
        }
    }

    public function test_an_instalment_is_proposed_by_itself_without_the_discount_of_the_whole(): void
    {
        $head = new ItemHead('F1', Kind::Invoice, Side::Debit, new CustomerAccount(5, 1), '2026-09-01', '2026-11-30', 'REF-1');
        $item = OpenItem::of(7, $head, Money::ofMinor(900, 'EUR'), Money::ofMinor(900, 'EUR'), Position::untouched());
        $of = Candidate::instalment($item, new OpenInstalment('2026-10-31', 300, 300));
        self::assertSame(
            [7, 'F1', '2026-10-31', 300, 300, 'REF-1'],
            [$of->id, $of->document, $of->dueDate, $of->gross(), $of->net(), $of->reference],
        );
    }

    /** Against every subset there is, on random items with credits, discounts and equal amounts. */
    public function test_combinations_against_all_subsets(): void
    {
        mt_srand(17);
        $found = 0;
        for ($try = 0; $try < 250; $try++) {
            $items = [];
            for ($n = 0; $n < mt_rand(2, 9); $n++) {
                $open = mt_rand(1, 12) * 5;
                $due = sprintf('2026-10-%02d', mt_rand(1, 6));
                $items[] =
                    mt_rand(0, 4) === 0
                        ? $this->credit("N{$n}", $open, $due)
                        : $this->debit("D{$n}", $open, $due, mt_rand(0, 2) === 0 ? mt_rand(1, 4) : 0);
            }
            $target = mt_rand(1, 150);
            // Searched whole, and by size as among many, where one item that makes the amount was found before.
            foreach ([[20_000, 1], [0, 2]] as [$whole, $fewest]) {
                [$best, $count] = $this->bruteForce($items, $target, $fewest);
                $combination = CombinationSearch::find($items, $target, 400_000, $whole);
                self::assertSame(Searched::All, $combination->searched);
                $documents = array_map(static fn (Settles $of): string => $of->item->document, $combination->settles);
                self::assertSame($best, $documents, "try {$try}, target {$target}");
                self::assertSame($count === 1, $combination->only, "try {$try}: {$count} sets");
                self::assertSame(
                    $best === [] ? 0 : $target,
                    array_sum(array_map(static fn (Settles $of): int => $of->cash(), $combination->settles)),
                );
            }
            $found += $best === [] ? 0 : 1;
        }
        self::assertGreaterThan(40, $found);
    }

    /** What is looked at is counted, so that the same data stop at the same place: one less than it takes, and the search says so. */
    public function test_the_work_of_a_search_is_counted(): void
    {
        $items = [
            $this->debit('A', 500, '2026-10-01'),
            $this->debit('B', 500, '2026-10-01'),
            $this->debit('C', 300, '2026-10-02', 6),
            $this->debit('D', 200, '2026-10-03'),
            $this->credit('E', 100, '2026-10-04'),
            $this->debit('F', 700, '2026-10-05'),
        ];
        $least = static function (int $target, int $whole) use ($items): int {
            for ($work = 1; CombinationSearch::find($items, $target, $work, $whole)->searched === Searched::Limit;) {
                $work++;
            }

            return $work;
        };
        $took = [];
        foreach ([[1_300, 20_000], [1_300, 0], [794, 20_000], [794, 0], [2_000, 0], [5, 20_000]] as [$target, $whole]) {
            $took[] = $least($target, $whole);
        }
        self::assertSame([20, 76, 19, 174, 216, 3], $took);
    }

    /**
     * @param list<Candidate> $items
     * @return array{list<string>, int} documents of the best set and the number of sets
     */
    private function bruteForce(array $items, int $target, int $fewest): array
    {
        usort($items, Candidate::byAge(...));
        $sets = [[[], 0]];
        foreach ($items as $item) {
            foreach ($sets as [$set, $sum]) {
                $sets[] = [[...$set, $item], $sum + $item->gross()];
                if ($item->discount > 0) {
                    $sets[] = [[...$set, $item], $sum + $item->net()];
                }
            }
        }
        $hits = array_values(array_filter($sets, static fn (array $set): bool => count($set[0]) >= $fewest && $set[1] === $target));
        usort(
            $hits,
            static fn (array $one, array $other): int => [
                count($one[0]),
                array_map(static fn (Candidate $i): string => $i->dueDate, $one[0]),
                array_map(static fn (Candidate $i): string => $i->document, $one[0]),
            ] <=> [
                count($other[0]),
                array_map(static fn (Candidate $i): string => $i->dueDate, $other[0]),
                array_map(static fn (Candidate $i): string => $i->document, $other[0]),
            ],
        );

        return [array_map(static fn (Candidate $item): string => $item->document, $hits[0][0] ?? []), count($hits)];
    }

    public function test_forty_items_and_forty_equal_ones_are_answered(): void
    {
        mt_srand(40);
        for ($try = 0; $try < 20; $try++) {
            $items = array_map(
                fn (int $n): Candidate => $this->debit(
                    "D{$n}",
                    mt_rand(1000, 900_000),
                    sprintf('2026-%02d-%02d', mt_rand(7, 12), mt_rand(1, 28)),
                ),
                range(1, 40),
            );
            $pick = array_map(static fn (int $place): int => $items[$place]->open, (array) array_rand($items, 5));
            $combination = CombinationSearch::find($items, array_sum($pick), 400_000);
            self::assertNotSame([], $combination->settles);
            self::assertLessThanOrEqual(5, count($combination->settles));
            self::assertSame(array_sum($pick), array_sum(array_map(static fn (Settles $of): int => $of->cash(), $combination->settles)));
            self::assertEquals($combination, CombinationSearch::find($items, array_sum($pick), 400_000));
        }
        $equal = array_map(
            fn (int $n): Candidate => $this->debit(sprintf('D%02d', $n), 50000, sprintf('2026-10-%02d', 1 + ($n % 28))),
            range(1, 40),
        );
        $combination = CombinationSearch::find($equal, 300000, 400_000);
        self::assertCount(6, $combination->settles);
        self::assertFalse($combination->only);
        self::assertSame(
            ['D28', 'D01', 'D29', 'D02', 'D30', 'D03'],
            array_map(static fn (Settles $of): string => $of->item->document, $combination->settles),
        );
    }

    public function test_an_answer_at_the_limit_says_so(): void
    {
        mt_srand(41);
        $items = array_map(fn (int $n): Candidate => $this->debit("D{$n}", mt_rand(1, 4000) * 1000), range(1, 40));
        $combination = CombinationSearch::find($items, 20_000_500, 50_000);
        self::assertSame([[], false, Searched::Limit], [$combination->settles, $combination->only, $combination->searched]);
        // That no item is small enough is seen without a search.
        self::assertSame(Searched::All, CombinationSearch::find($items, 999, 50_000)->searched);
    }

    public function test_a_tolerance_in_a_currency_and_both_of_its_limits(): void
    {
        $in = static fn (string $tolerance, string $code): int => ProposalPolicy::in(
            Currency::of($code),
            $tolerance,
            '0.5',
            40,
            FillOrder::OldestDue,
        )->toleranceAmount;
        self::assertSame([100, 1, 1005], [$in('1.005', 'EUR'), $in('1.9', 'JPY'), $in('1.005', 'KWD')]);
        $policy = new ProposalPolicy(100, '0.5');
        self::assertTrue($policy->tolerates(100, 20_000));
        self::assertTrue($policy->tolerates(-100, 20_000));
        self::assertFalse($policy->tolerates(100, 19_999), 'half a percent of it is less');
        self::assertFalse($policy->tolerates(101, 1_000_000));
    }

    public function test_numbers_that_name_nothing(): void
    {
        $items = [new Candidate(1, 'F20301', Side::Debit, '2026-10-01', '2026-10-31', 100)];
        $reader = new ReferenceReader($items);
        self::assertSame([], $reader->unknown('invoice 20301, F20301 with thanks'));
        self::assertSame(['20302', 'F9'], $reader->unknown('F20301 + 20302; F9 thanks'));
    }
}
