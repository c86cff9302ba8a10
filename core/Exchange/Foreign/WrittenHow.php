<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\Field;
use Ajuste\Core\Exchange\FieldType;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Money\Currency;

/** How a list writes its days and amounts: by all of its cells, since what some show holds for all. */
final class WrittenHow
{
    /**
     * The orders in which every date is one, and that differ in what they say.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return list<DateOrder>
     */
    public static function dates(FileKind $kind, array $columns, array $rows): array
    {
        $fields = array_keys(array_filter($kind->fields(), static fn (Field $field): bool => $field->type === FieldType::Date));
        $fitting = [];
        foreach (DateOrder::cases() as $order) {
            $seen = $good = 0;
            $said = '';
            foreach ($rows as $cells) {
                foreach (array_intersect_key($columns, array_flip($fields)) as $column) {
                    $text = trim($cells[$column] ?? '');
                    $day = $text === '' ? null : ForeignDate::iso($text, $order);
                    $seen += $text === '' ? 0 : 1;
                    $good += $day === null ? 0 : 1;
                    $said .= $day ?? '';
                }
            }
            if ($seen > 0 && $good >= $seen * 0.95) {
                $fitting[hash('xxh3', $said)] ??= [$good, $order];
            }
        }
        usort($fitting, static fn (array $one, array $other): int => $other[0] <=> $one[0]);
        $most = $fitting[0][0] ?? 0;
        $orders = array_values(array_map(
            static fn (array $of): DateOrder => $of[1],
            array_filter($fitting, static fn (array $of): bool => $of[0] === $most),
        ));
        $inTime = array_values(array_filter($orders, static fn (DateOrder $order): bool => self::areDueLater($order, $columns, $rows)));

        return count($inTime) === 1 ? $inTime : $orders;
    }

    /**
     * Whether nothing is due before its own day: of two orders that is one.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     */
    private static function areDueLater(DateOrder $order, array $columns, array $rows): bool
    {
        foreach (isset($columns['date'], $columns['due_date']) ? $rows : [] as $cells) {
            $date = ForeignDate::iso($cells[$columns['date']] ?? '', $order);
            $due = ForeignDate::iso($cells[$columns['due_date']] ?? '', $order);
            if ($date !== null && $due !== null && $due < $date) {
                return false;
            }
        }

        return true;
    }

    /**
     * By every amount of the file: what some show holds for all.
     *
     * @param array<string, int> $columns
     * @param list<list<string>> $rows
     * @return string a point, a comma, blank where no amount has a mark, or a question mark where all can be read in both ways
     */
    public static function decimalMark(FileKind $kind, array $columns, array $rows): string
    {
        $shown = ['.' => 0, ',' => 0, '?' => 0, '' => 0];
        foreach ($rows as $cells) {
            $code = strtoupper(trim($cells[$columns['currency'] ?? -1] ?? ''));
            foreach ($columns as $field => $column) {
                $amount = self::isAmount($kind, $field) ? ForeignAmount::of($cells[$column] ?? '') : null;
                if ($amount !== null) {
                    $own = $amount->currency !== '' ? $amount->currency : $code;
                    $shown[$amount->shows(Currency::isKnown($own) ? Currency::of($own)->decimals : 2)]++;
                }
            }
        }

        return match (true) {
            $shown[','] > 0 && $shown['.'] > 0 => min($shown[','], $shown['.']) * 10 < max($shown[','], $shown['.'])
                ? ($shown[','] > $shown['.'] ? ',' : '.')
                : '?',
            $shown[','] > 0 => ',',
            $shown['.'] > 0 => '.',
            default => $shown['?'] > 0 ? '?' : '',
        };
    }

    private static function isAmount(FileKind $kind, string $field): bool
    {
        $type = ($kind->fields()[$field] ?? null)?->type;

        return in_array($field, ['+open', 'debit', 'credit', 'amount'], true)
            || in_array($type, [FieldType::Amount, FieldType::Number], true);
    }
}
