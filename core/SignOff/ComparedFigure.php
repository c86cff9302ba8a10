<?php

declare(strict_types=1);

namespace Ajuste\Core\SignOff;

use Ajuste\Core\Money\Money;
use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** A main figure of a period beside what it was a period and a year before (common practice: analytical review). */
final readonly class ComparedFigure
{
    /** All in base currency, debit-positive, as of the last day of the period each. */
    public function __construct(public string $name, public Money $now, public Money $before, public Money $yearBefore) {}

    /**
     * Whether it has moved since the period before by more than a limit; from nil to anything is more than any limit.
     *
     * @param string $limit percent of what it was, such as `25`; blank: never
     */
    public function needsASentence(string $limit): bool
    {
        $moved = $this->now->minus($this->before)->abs();
        if ($limit === '' || $moved->isZero()) {
            return false;
        }

        return BigRational::of($moved->minor)->multipliedBy(100)->isGreaterThan(
            BigRational::of($this->before->abs()->minor)->multipliedBy(BigDecimal::of($limit)),
        );
    }

    /** How it has moved since the period before, in percent to one decimal, half away from zero; null: it was nil. */
    public function percent(): ?string
    {
        $was = $this->before->abs()->minor;

        return $was === 0 ? null : (string) BigRational::of($this->now->minus($this->before)->minor)
            ->multipliedBy(100)
            ->dividedBy($was)
            ->toScale(1, RoundingMode::HALF_UP);
    }

    /**
     * The check that asks for a sentence.
     *
     * @param string $limit as above
     */
    public function check(string $limit): Check
    {
        $by = $this->percent();
        $says = "{$this->before->grouped()} became {$this->now->grouped()}".($by === null ? '' : " ({$by} %)");

        $words = ucfirst($this->name).' beside the period before';

        return new Check("change of {$this->name}", $words, ! $this->needsASentence($limit), $says);
    }
}
