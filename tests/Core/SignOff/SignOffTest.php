<?php

declare(strict_types=1);

namespace Tests\Core\SignOff;

use Ajuste\Core\Calendar\Period;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\SignOff\Check;
use Ajuste\Core\SignOff\ComparedFigure;
use Ajuste\Core\SignOff\Signature;
use Ajuste\Core\SignOff\SignedFigures;
use Ajuste\Core\SignOff\SignOff;
use PHPUnit\Framework\TestCase;

/** R13: two people, the same figures. */
final class SignOffTest extends TestCase
{
    /**
     * @param array<string, string> $figures
     * @param array<string, string> $reasons
     * @param ?array<string, string> $signed
     */
    private static function of(array $figures = ['a' => '1'], array $reasons = [], ?array $signed = null): SignOff
    {
        return new SignOff(
            Period::of('2026-10'),
            [new Check('proof', 'Proof is done', false, '3 causes'), new Check('aged', 'Aged ties', true, '')],
            $reasons,
            new SignedFigures($figures),
            [new ComparedFigure('a', Money::ofMinor(5, 'EUR'), Money::zero('EUR'), Money::zero('EUR'))],
            $signed === null ? null : new Signature('Ana', 'now', new SignedFigures($signed)),
        );
    }

    public function test_a_main_figure_is_found_by_its_name(): void
    {
        self::assertSame(5, self::of()->comparedTo('a')?->now->minor);
        self::assertNull(self::of()->comparedTo('b'));
    }

    private function refuses(string $says, callable $attempt): void
    {
        try {
            $attempt();
            self::fail($says);
        } catch (Refusal $refusal) {
            self::assertStringContainsString($says, $refusal->getMessage());
        }
    }

    public function test_the_preparer_signs_what_was_seen_when_all_is_green_or_explained(): void
    {
        $of = self::of();
        self::assertSame(['proof'], array_map(static fn (Check $check): string => $check->name, $of->open()));
        $this->refuses('explained yet: proof is done', static fn () => $of->refusePreparer($of->figures->digest()));
        $explained = self::of(reasons: ['proof' => 'carried']);
        self::assertSame([], $explained->open());
        $this->refuses('changed since you looked', static fn () => $explained->refusePreparer('x'));
        $explained->refusePreparer($explained->figures->digest());
        self::assertFalse($explained->isInReview());
        self::assertSame([], $explained->voidedBy());
    }

    public function test_another_person_signs_the_same_figures_second(): void
    {
        $this->refuses('has not signed yet', static fn () => self::of()->refuseReviewer('Eva', self::of()->figures->digest()));
        $changed = self::of(['a' => '2', 'c' => '3'], signed: ['a' => '1', 'b' => '0']);
        self::assertSame(['a was 1 and is 2', 'b was 0 and is nothing', 'c was nothing and is 3'], $changed->voidedBy());
        $this->refuses('changed since the preparer signed', static fn () => $changed->refuseReviewer('Eva', $changed->figures->digest()));
        $same = self::of(signed: ['a' => '1']);
        self::assertTrue($same->isInReview());
        $this->refuses('Two people sign', static fn () => $same->refuseReviewer('Ana', $same->figures->digest()));
        $this->refuses('changed since you looked', static fn () => $same->refuseReviewer('Eva', 'x'));
        $same->refuseReviewer('Eva', $same->figures->digest());
    }

    public function test_a_digest_knows_names_from_figures(): void
    {
        self::assertNotSame((new SignedFigures(['a' => 'bc']))->digest(), (new SignedFigures(['ab' => 'c']))->digest());
    }
}
