<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Proof\CauseLine;
use Ajuste\Core\Proof\Proof;
use App\Actions\Proof\PairByHand;
use App\Queries\ProofLines;
use App\Queries\Reports;
use Illuminate\Support\Facades\DB;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A proof on top of a signed one names the same causes as one from the beginning, and reads only what is new or open. */
final class SignedProofTest extends BooksTestCase
{
    public function test_on_random_books_a_proof_on_top_of_signed_ones_is_the_proof_from_the_beginning(): void
    {
        $chance = new Randomizer(new Mt19937(11));
        $this->importBasics();
        $items = $ledger = [];
        for ($n = 0; $n < 240; $n++) {
            $day = sprintf('2026-%02d-%02d', $chance->getInt(7, 10), $chance->getInt(1, 28));
            $amount = $chance->getInt(101, 99_999);
            $say = static fn (int $minor): string => sprintf('%d.%02d', intdiv($minor, 100), $minor % 100);
            $fault = $chance->getInt(0, 9);
            $posted = $fault === 1 ? $amount + 90 : $amount;
            if ($fault !== 2) {
                $items[] = "D{$n},invoice,C1,{$day},{$day},EUR,{$say($amount)},{$say($amount)},,,,";
            }
            if ($fault !== 3) {
                $later = $fault === 4 ? sprintf('2026-%02d-03', min(10, (int) substr($day, 5, 2) + 1)) : $day;
                $ledger[] = "E{$n},{$later},1100,sale,{$say($posted)},,D{$n},";
            }
            if ($fault === 5) {
                $ledger[] = "F{$n},{$day},1100,again,{$say($posted)},,D{$n},";
            }
        }
        $this->import(['items.csv' => self::items($items), 'ledger.csv' => self::ledger($ledger)]);
        $before = self::named($this->proofs()[1]);
        self::assertGreaterThan(20, count($before));
        $this->lock('2026-07');
        $this->lock('2026-08');
        [$since, $all] = $this->proofs();
        self::assertSame($before, self::named($since));
        self::assertSame('2026-08-31', $since->agreed->through);
        self::assertGreaterThan(40, $since->agreed->postings);

        // A document that agreed in July comes once more, one that was missing comes at last, and one is posted back.
        $agreed = array_values(
            array_diff(range(0, 239), array_map(static fn (CauseLine $line): int => (int) substr($line->document(), 1), $all->lines)),
        );
        $this->import([
            'items.csv' => self::items(["D{$agreed[0]},credit_note,C1,2026-10-05,2026-10-05,EUR,1.00,1.00,,,,"]),
            'ledger.csv' => self::ledger([
                ...$ledger,
                "G1,2026-10-05,1100,again,77.00,,D{$agreed[1]},",
                "G2,2026-10-06,1100,odd,,5.00,D{$agreed[2]},",
                'G3,2026-10-06,1100,nameless,12.00,,,',
            ]),
        ]);
        [$since, $all] = $this->proofs();
        self::assertEquals(self::named($all), self::named($since));
        self::assertSame(
            [$all->control, $all->customers, $all->totals->postings, $all->totals->items],
            [$since->control, $since->customers, $since->totals->postings, $since->totals->items],
        );
        $this->lock('2026-09');
        [$since, $all] = $this->proofs();
        self::assertEquals(self::named($all), self::named($since));
        self::assertSame('2026-09-30', $since->agreed->through);
    }

    public function test_a_pair_that_a_person_parts_after_signing_is_read_again(): void
    {
        $this->importBasics([
            'items.csv' => self::items([
                'D1,invoice,C1,2026-08-10,2026-08-10,EUR,10.00,10.00,,,,',
                'D2,invoice,C1,2026-08-11,2026-08-11,EUR,20.00,20.00,,,,',
            ]),
            'ledger.csv' => self::ledger(['E1,2026-08-10,1100,sale,10.00,,D1,', 'E2,2026-08-11,1100,sale,20.00,,D2,']),
        ]);
        $this->lock('2026-08');
        self::assertSame(2, $this->proofs()[0]->agreed->postings);
        $line = 'pair-'.DB::table('postings')->where('entry', 'E1')->value('id').'-'.$this->itemId('D1');
        app(PairByHand::class)->apart('k', $this->control(), '2026-10-31', $line, 'not the same sale');
        [$since, $all] = $this->proofs();
        self::assertSame(['not_in_ledger D1 1000', 'not_in_subledger D1 -1000'], self::named($since));
        self::assertEquals(self::named($all), self::named($since));
        self::assertSame(1, $since->agreed->postings);
    }

    public function test_a_period_before_the_signed_one_is_proved_from_the_beginning(): void
    {
        $this->importBasics([
            'items.csv' => self::items(['D1,invoice,C1,2026-08-10,2026-08-10,EUR,10.00,10.00,,,,']),
            'ledger.csv' => self::ledger(['E1,2026-09-02,1100,sale,10.00,,D1,']),
        ]);
        $this->lock('2026-09');
        $proof = app(Reports::class)->proof($this->control(), '2026-08-31');
        self::assertSame(['cut_off D1 1000'], self::named($proof));
        self::assertSame('', $proof->agreed->through);
    }

    /** @return array{Proof, Proof} on top of the signed one, and from the beginning */
    private function proofs(): array
    {
        $account = $this->control();

        return [
            app(Reports::class)->proof($account, '2026-10-31'),
            app(Reports::class)->proofOf(ProofLines::all($account->id), '2026-10-31'),
        ];
    }

    /** @return list<string> */
    private static function named(Proof $proof): array
    {
        $named = array_map(
            static fn (CauseLine $line): string => "{$line->cause->value} {$line->document()} {$line->amount}",
            $proof->lines,
        );
        sort($named);

        return $named;
    }
}
