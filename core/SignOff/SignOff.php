<?php

declare(strict_types=1);

namespace Ajuste\Core\SignOff;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;

/**
 * The end of a close (R13): every check is green or has a reason, two people sign the same figures, the second signature locks. A figure
 * that changes in between voids the first signature.
 */
final readonly class SignOff
{
    /**
     * @param list<Check> $checks
     * @param array<string, string> $reasons by the check's name, of those that are not green
     * @param list<ComparedFigure> $compared main figures beside the period and the year before
     * @param ?Signature $prepared the preparer's latest since the period was last open, whatever it was over
     */
    public function __construct(
        public Period $period,
        public array $checks,
        public array $reasons,
        public SignedFigures $figures,
        public array $compared,
        public ?Signature $prepared,
    ) {}

    /** The figure beside what it was before; null: it is no main figure. */
    public function comparedTo(string $name): ?ComparedFigure
    {
        return array_column($this->compared, null, 'name')[$name] ?? null;
    }

    /** @return list<Check> neither green nor with a reason */
    public function open(): array
    {
        return array_values(array_filter(
            $this->checks,
            fn (Check $check): bool => ! $check->isGreen && ($this->reasons[$check->name] ?? '') === '',
        ));
    }

    /** Whether the preparer has signed these very figures. */
    public function isInReview(): bool
    {
        return $this->prepared !== null && $this->prepared->figures->digest() === $this->figures->digest();
    }

    /** @return list<string> what voids the preparer's signature; none where it stands or there is none */
    public function voidedBy(): array
    {
        return $this->prepared === null ? [] : $this->figures->changedSince($this->prepared->figures);
    }

    /**
     * @param string $seen digest of the figures that the person saw
     *
     * @throws Refusal when a check is open, or the figures are others now
     */
    public function refusePreparer(string $seen): void
    {
        $this->refuseOthers($seen);
        $open = $this->open();
        if ($open !== []) {
            $names = implode(', ', array_map(static fn (Check $check): string => lcfirst($check->words), $open));
            throw new Refusal("Not everything is green or explained yet: {$names}. Settle it, or give a reason for each.");
        }
    }

    /**
     * @param string $who the one who signs second
     * @param string $seen digest of the figures that the person saw
     *
     * @throws Refusal when the preparer has not signed these figures, or it is the same person
     */
    public function refuseReviewer(string $who, string $seen): void
    {
        $this->refuseOthers($seen);
        if ($this->prepared === null || ! $this->isInReview()) {
            $why = $this->prepared === null ? 'The preparer has not signed yet' : 'The figures have changed since the preparer signed';
            throw new Refusal("{$why}. The preparer signs first.");
        }
        if ($this->prepared->who === $who) {
            throw new Refusal('Two people sign a period. Another person than the preparer signs second.', RefusalKind::Rights);
        }
    }

    /** @throws Refusal */
    private function refuseOthers(string $seen): void
    {
        if ($seen !== $this->figures->digest()) {
            throw Refusal::changed('The figures have changed since you looked. Look at them again, then sign.');
        }
    }
}
