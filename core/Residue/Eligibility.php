<?php

declare(strict_types=1);

namespace Ajuste\Core\Residue;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Subledger\Kind;
use Ajuste\Core\Subledger\OpenItem;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** The tests that an item has to pass to be a residue (R8). */
final class Eligibility
{
    /**
     * Whether an item is worth a look: what is open in full fails two tests where the policy asks for less than the whole original, and
     * what a run wrote off is no residue itself.
     */
    public static function mayComeNear(OpenItem $item, ResiduePolicy $policy): bool
    {
        return ! in_array($item->kind, [Kind::WriteOff, Kind::WriteBack], true)
            && (! $item->open->equals($item->amount) || self::wholeMayComeNear($policy));
    }

    /** Whether the policy's percentage lets an item of which nothing is settled come near. */
    public static function wholeMayComeNear(ResiduePolicy $policy): bool
    {
        return BigRational::of($policy->percent)->isGreaterThanOrEqualTo(100);
    }

    /**
     * What it fails, in words and by how much; none: it is eligible.
     *
     * @param string $asOf day of the run
     * @return list<string>
     */
    public static function failed(ResidueCandidate $of, ResiduePolicy $policy, string $asOf): array
    {
        $failed = [
            $of->item->open->equals($of->item->amount) ? 'nothing of it is settled' : '',
            self::limit($of, $policy),
            self::percent($of, $policy),
            self::age($of, $policy, $asOf),
            $of->contested->isPositive() ? "{$of->contested->grouped()} of it is contested" : '',
        ];

        return array_values(array_filter($failed, static fn (string $why): bool => $why !== ''));
    }

    private static function limit(ResidueCandidate $of, ResiduePolicy $policy): string
    {
        $open = $of->item->open;
        $limit = $policy->limit($open->currency, $of->item->head->side);
        if ($limit === null) {
            return ! $of->item->isDebit() && ! $policy->writesBack()
                ? 'write-backs are off: the books name no ground and limit (write_back_ground, write_back_limit)'
                : "{$open->currency->code} has no limit of its own";
        }

        return $open->isMoreThan($limit) ? "{$open->minus($limit)->grouped()} above the limit of {$limit->grouped()}" : '';
    }

    private static function percent(ResidueCandidate $of, ResiduePolicy $policy): string
    {
        $percent = BigRational::of($of->item->open->minor)->multipliedBy(100)->dividedBy($of->item->amount->minor);

        return $percent->isGreaterThan($policy->percent)
            ? "{$percent->toScale(2, RoundingMode::HALF_UP)} % of the original, {$policy->percent} % is allowed"
            : '';
    }

    /** Days since the due date, or since the last match if later; a credit is due on its own date. */
    private static function age(ResidueCandidate $of, ResiduePolicy $policy, string $asOf): string
    {
        $due = $of->item->isDebit() ? $of->item->dueDate : $of->item->date;
        $short = $policy->days - Day::between(max($due, $of->lastMatch), $asOf);

        return match (true) {
            $short <= 0 => '',
            $short === 1 => 'one day too young',
            default => "{$short} days too young",
        };
    }
}
