<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/**
 * Whose money is it? (R6) The payer's account known; then the customer's own creditor reference or a quoted document; then the name,
 * compared by words, with its score.
 */
final class PayerRecognition
{
    /** Below this score it is left to the person. */
    public const SURE = 75;

    /** Words that say what kind of firm it is and not which. */
    private const FORMS = [
        'SL',
        'SA',
        'SLU',
        'SAU',
        'LTD',
        'LIMITED',
        'PLC',
        'GMBH',
        'AG',
        'KG',
        'SARL',
        'SAS',
        'BV',
        'NV',
        'INC',
        'LLC',
        'KK',
        'COOP',
        'CO',
        'THE',
        'DE',
        'DEL',
        'LA',
        'EL',
        'Y',
        'AND',
        'MEMBER',
    ];

    /** A word that more customers than this have in their names tells none from another. */
    private const SHARED = 60;

    /** @var array<array-key, list<int>> customers by bank account */
    private array $byAccount = [];

    /** @var array<string, list<int>> customers by their own creditor reference */
    private array $byReference = [];

    /** @var array<int, list<list<string>>> the words of each name, by customer */
    private array $names = [];

    /** @var array<array-key, array<int, true>> customers by word of a name */
    private array $byWord = [];

    /** @param  iterable<PayerProfile>  $profiles */
    public function __construct(iterable $profiles)
    {
        foreach ($profiles as $profile) {
            foreach ($profile->accounts as $account) {
                $this->byAccount[self::plainAccount($account)][] = $profile->customerId;
            }
            if ($profile->reference !== '') {
                $this->byReference[$profile->reference][] = $profile->customerId;
            }
            foreach ($profile->names as $name) {
                $words = self::words($name);
                $this->names[$profile->customerId][] = $words;
                foreach ($words as $word) {
                    $this->byWord[$word][$profile->customerId] = true;
                }
            }
        }
    }

    /**
     * @param array<int, list<string>> $quoted documents that the text quotes, by customer id
     * @return list<PayerGuess> the surest first, at most six
     */
    public function rank(string $account, string $name, string $text, array $quoted): array
    {
        $plain = self::plainAccount($account);
        $guesses = [];
        foreach ($plain === '' ? [] : $this->byAccount[$plain] ?? [] as $customerId) {
            $guesses[$customerId] = new PayerGuess($customerId, 'account known, ends in '.substr($plain, -4), 100);
        }
        foreach (CreditorReference::within($text) as $reference) {
            foreach ($this->byReference[$reference] ?? [] as $customerId) {
                $guesses[$customerId] ??= new PayerGuess(
                    $customerId,
                    'names its own reference '.CreditorReference::grouped($reference),
                    99,
                );
            }
        }
        foreach ($quoted as $customerId => $documents) {
            $guesses[$customerId] ??= new PayerGuess(
                $customerId,
                "quotes {$documents[0]}".(count($documents) > 1 ? ' and '.(count($documents) - 1).' more' : ''),
                min(99, 90 + count($documents)),
            );
        }
        foreach ($this->byNames(self::words($name), $name === '' ? self::words($text) : []) as $customerId => $score) {
            $guesses[$customerId] ??= new PayerGuess($customerId, "name, {$score} of 100 alike", min(89, $score));
        }
        usort(
            $guesses,
            static fn (PayerGuess $one, PayerGuess $other): int => [$other->score, $one->customerId] <=> [$one->score, $other->customerId],
        );

        return array_slice($guesses, 0, 6);
    }

    /** @param  list<PayerGuess>  $ranked the surest first */
    public static function isSure(array $ranked): bool
    {
        return $ranked !== [] && $ranked[0]->score >= self::SURE && $ranked[0]->score > ($ranked[1]->score ?? 0);
    }

    /**
     * @param list<string> $name
     * @param list<string> $text looked through where no name is given
     * @return array<int, int> score from 50 on, by customer
     */
    private function byNames(array $name, array $text): array
    {
        $near = [];
        foreach ([...$name, ...$text] as $word) {
            $of = $this->byWord[$word] ?? [];
            $near += count($of) <= self::SHARED ? $of : [];
        }
        $scores = [];
        foreach (array_keys($near) as $customerId) {
            $best = 0;
            foreach ($this->names[$customerId] as $words) {
                $best = max($best, self::likeness($name, $words), self::contained($words, $text));
            }
            if ($best >= 50) {
                $scores[$customerId] = $best;
            }
        }

        return $scores;
    }

    /**
     * Twice the words in common over all words, as a score of 100.
     *
     * @param list<string> $one
     * @param list<string> $other
     */
    private static function likeness(array $one, array $other): int
    {
        return $one === [] || $other === [] ? 0 : (int) round((200 * count(array_intersect($one, $other))) / (count($one) + count($other)));
    }

    /**
     * @param list<string> $words
     * @param list<string> $text
     */
    private static function contained(array $words, array $text): int
    {
        return count($words) < 2 || $text === [] ? 0 : (int) round((85 * count(array_intersect($words, $text))) / count($words));
    }

    /** @return list<string> capitals without accents, forms of firms left out */
    private static function words(string $name): array
    {
        $plain = strtr(mb_strtoupper($name), [
            'Á' => 'A',
            'À' => 'A',
            'Ä' => 'A',
            'É' => 'E',
            'È' => 'E',
            'Í' => 'I',
            'Ó' => 'O',
            'Ö' => 'O',
            'Ú' => 'U',
            'Ü' => 'U',
            'Ñ' => 'N',
            'Ç' => 'C',
            '.' => '',
        ]);
        $words = preg_split('/[^\p{L}\p{N}]+/u', $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_unique(array_diff($words, self::FORMS)));
    }

    private static function plainAccount(string $account): string
    {
        return strtoupper((string) preg_replace('/[^A-Za-z0-9]/', '', $account));
    }
}
