<?php

declare(strict_types=1);

namespace Tests\Core\Proposal;

use Ajuste\Core\Proposal\CreditorReference;
use Ajuste\Core\Proposal\PayerGuess;
use Ajuste\Core\Proposal\PayerProfile;
use Ajuste\Core\Proposal\PayerRecognition;
use PHPUnit\Framework\TestCase;

/** Whose money it is, in the order of R6: account, quoted document, name. */
final class PayerRecognitionTest extends TestCase
{
    private PayerRecognition $payers;

    protected function setUp(): void
    {
        $this->payers = new PayerRecognition([
            new PayerProfile(1, ['Almadraba Foods S.L.', 'La Almadraba'], ['ES79 2100 0813 6101 2345 6789']),
            new PayerProfile(2, ['Tiendas Romeral, S.A.'], []),
            new PayerProfile(3, ['Molinos del Ebro'], ['DE89370400440532013000']),
            new PayerProfile(4, ['Molinos del Duero'], []),
        ]);
    }

    /**
     * @param array<int, list<string>> $quoted
     * @return list<array{int, int}> customer and score
     */
    private function rank(string $account = '', string $name = '', string $text = '', array $quoted = []): array
    {
        return array_map(
            static fn (PayerGuess $of): array => [$of->customerId, $of->score],
            $this->payers->rank($account, $name, $text, $quoted),
        );
    }

    public function test_a_known_account_is_certain_however_it_is_written(): void
    {
        self::assertSame([[1, 100]], $this->rank('es7921000813610123456789'));
        self::assertSame('account known, ends in 6789', $this->payers->rank('ES7921000813610123456789', '', '', [])[0]->why);
        self::assertSame([], $this->rank('ES7921000813610123456780'));
        self::assertSame([], $this->rank());
    }

    public function test_the_account_stands_above_what_is_quoted_and_that_above_the_name(): void
    {
        $ranked = $this->rank('DE89370400440532013000', 'Tiendas Romeral', '', [1 => ['F1'], 4 => ['F2', 'F3']]);
        self::assertSame([[3, 100], [4, 92], [1, 91], [2, 89]], $ranked);
    }

    public function test_a_customers_own_reference_stands_above_documents_and_below_the_account(): void
    {
        $own = CreditorReference::ofCustomer('2');
        $payers = new PayerRecognition([
            new PayerProfile(1, ['Uno'], ['DE89370400440532013000'], CreditorReference::ofCustomer('1')),
            new PayerProfile(2, ['Dos'], [], $own),
            new PayerProfile(3, ['Tres'], []),
        ]);
        $ranked = $payers->rank('DE89370400440532013000', 'Tres', "for {$own}", [3 => ['F1']]);
        self::assertSame(
            [[1, 100], [2, 99], [3, 91]],
            array_map(static fn (PayerGuess $of): array => [$of->customerId, $of->score], $ranked),
        );
        self::assertSame('names its own reference '.CreditorReference::grouped($own), $ranked[1]->why);
        self::assertSame([], $payers->rank('', '', CreditorReference::ofCustomer('9'), []));
    }

    public function test_many_quoted_documents_never_reach_certainty(): void
    {
        self::assertSame([[1, 99]], $this->rank(quoted: [1 => array_map(strval(...), range(1, 30))]));
        self::assertSame('quotes A and 2 more', $this->payers->rank('', '', '', [1 => ['A', 'B', 'C']])[0]->why);
        self::assertSame('quotes A', $this->payers->rank('', '', '', [1 => ['A']])[0]->why);
    }

    /** Twice the words in common over all words: forms of firms, accents and capitals do not count. */
    public function test_names_are_compared_by_words(): void
    {
        self::assertSame([[1, 89]], $this->rank(name: 'ALMADRABA FOODS SL'));
        self::assertSame([[1, 80]], $this->rank(name: 'Almadraba Foods Export'));
        self::assertSame([[3, 89], [4, 50]], $this->rank(name: 'Molinos Ebro'));
        self::assertSame([[3, 67], [4, 67]], $this->rank(name: 'Molinos'));
        self::assertSame([], $this->rank(name: 'Someone else'));
        self::assertSame([[2, 89]], $this->rank(name: 'tiendas romerál'));
    }

    /** Without a name the text is looked through for all words of one; at most 85. */
    public function test_a_name_within_the_text_counts_less(): void
    {
        self::assertSame([[2, 85]], $this->rank(text: 'transfer from TIENDAS ROMERAL for October'));
        self::assertSame([], $this->rank(text: 'transfer from ALMADRABA'), 'one word of two is below fifty');
        self::assertSame([], $this->rank(name: 'Nobody', text: 'TIENDAS ROMERAL'), 'with a name the text is not looked through');
    }

    public function test_sure_is_the_only_best_from_seventy_five_on(): void
    {
        $guesses = static fn (int ...$scores): array => array_map(
            static fn (int $score, int $id): PayerGuess => new PayerGuess($id, '', $score),
            $scores,
            array_keys($scores),
        );
        self::assertTrue(PayerRecognition::isSure($guesses(75, 74)));
        self::assertTrue(PayerRecognition::isSure($guesses(75)));
        self::assertFalse(PayerRecognition::isSure($guesses(74)));
        self::assertFalse(PayerRecognition::isSure($guesses(90, 90)));
        self::assertFalse(PayerRecognition::isSure([]));
    }

    public function test_a_word_of_many_tells_none_apart_and_six_are_enough(): void
    {
        $many = static fn (int $count): PayerRecognition => new PayerRecognition(
            array_map(static fn (int $id): PayerProfile => new PayerProfile($id, ['Bodega'], []), range(1, $count)),
        );
        self::assertCount(6, $many(60)->rank('', 'Bodega', '', []));
        self::assertSame([1, 2, 3, 4, 5, 6], array_column($many(60)->rank('', 'Bodega', '', []), 'customerId'));
        self::assertSame([], $many(61)->rank('', 'Bodega', '', []));
    }

    public function test_long_names_are_rounded_at_the_end(): void
    {
        $payers = new PayerRecognition([new PayerProfile(1, ['A1 A2 A3 A4 B1 B2 B3'], [])]);
        self::assertSame(53, $payers->rank('', 'A1 A2 A3 A4 C1 C2 C3 C4', '', [])[0]->score, '8 of 15 words');
    }
}
