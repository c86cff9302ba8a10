<?php

declare(strict_types=1);

namespace Ajuste\Core\Proposal;

/** Whose money is it? (R6) The payer's account known; then a quoted document; then the name, compared by words, with its score. */
final class PayerRecognition
{
    /** Below this score it is left to the person. */
    public const SURE = 75;

    /** Words that say what kind of firm it is and not which. */
    private const FORMS = [
        'SL', 'SA', 'SLU', 'SAU', 'LTD', 'LIMITED', 'PLC', 'GMBH', 'AG', 'KG', 'SARL', 'SAS', 'BV', 'NV', 'INC', 'LLC', 'KK', 'COOP', 'CO', 'THE',
        'DE', 'DEL', 'LA', 'EL', 'Y', 'AND', 'MEMBER',
    ];

    /**
     * @param array<int, list<string>> $quoted documents that the text quotes, by customer id
     * @param iterable<PayerProfile> $profiles
     * @return list<PayerGuess> the surest first, at most six
     */
    public static function rank(string $account, string $name, string $text, array $quoted, iterable $profiles): array
    {
        $account = self::plainAccount($account);
        $guesses = [];
        foreach ($profiles as $profile) {
            $guess = self::byAccount($account, $profile) ?? self::byDocument($quoted[$profile->customerId] ?? [], $profile) ?? self::byName($name, $text, $profile);
            if ($guess !== null) {
                $guesses[] = $guess;
            }
        }
        usort($guesses, static fn (PayerGuess $one, PayerGuess $other): int => [$other->score, $one->customerId] <=> [$one->score, $other->customerId]);

        return array_slice($guesses, 0, 6);
    }

    private static function byAccount(string $account, PayerProfile $profile): ?PayerGuess
    {
        foreach ($account === '' ? [] : $profile->accounts as $known) {
            if (self::plainAccount($known) === $account) {
                return new PayerGuess($profile->customerId, 'account known, ends in '.substr($account, -4), 100);
            }
        }

        return null;
    }

    /** @param  list<string>  $documents */
    private static function byDocument(array $documents, PayerProfile $profile): ?PayerGuess
    {
        return $documents === [] ? null : new PayerGuess(
            $profile->customerId, "quotes {$documents[0]}".(count($documents) > 1 ? ' and '.(count($documents) - 1).' more' : ''),
            min(99, 90 + count($documents)),
        );
    }

    private static function byName(string $name, string $text, PayerProfile $profile): ?PayerGuess
    {
        $best = 0;
        foreach ($profile->names as $known) {
            $words = self::words($known);
            $best = max($best, self::likeness(self::words($name), $words), $name === '' ? self::contained($words, self::words($text)) : 0);
        }

        return $best < 50 ? null : new PayerGuess($profile->customerId, "name, {$best} of 100 alike", min(89, $best));
    }

    /**
     * Twice the words in common over all words, as a score of 100.
     *
     * @param list<string> $one
     * @param list<string> $other
     */
    private static function likeness(array $one, array $other): int
    {
        return $one === [] || $other === [] ? 0 : (int) round(200 * count(array_intersect($one, $other)) / (count($one) + count($other)));
    }

    /**
     * @param list<string> $words
     * @param list<string> $text
     */
    private static function contained(array $words, array $text): int
    {
        return count($words) < 2 ? 0 : (int) round(85 * count(array_intersect($words, $text)) / count($words));
    }

    /** @return list<string> capitals without accents, forms of firms left out */
    private static function words(string $name): array
    {
        $plain = strtr(mb_strtoupper($name), [
            'Á' => 'A', 'À' => 'A', 'Ä' => 'A', 'É' => 'E', 'È' => 'E', 'Í' => 'I', 'Ó' => 'O', 'Ö' => 'O', 'Ú' => 'U', 'Ü' => 'U', 'Ñ' => 'N',
            'Ç' => 'C', '.' => '',
        ]);
        $words = preg_split('/[^\p{L}\p{N}]+/u', $plain, -1, PREG_SPLIT_NO_EMPTY) ?: [];

        return array_values(array_unique(array_diff($words, self::FORMS)));
    }

    private static function plainAccount(string $account): string
    {
        return strtoupper((string) preg_replace('/[^A-Za-z0-9]/', '', $account));
    }
}
