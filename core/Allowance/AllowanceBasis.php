<?php

declare(strict_types=1);

namespace Ajuste\Core\Allowance;

use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\ContestedIn;

/** What the allowance is worked out by: the columns, their rates, what is assessed by name, and the policies of the books. */
final readonly class AllowanceBasis
{
    /**
     * @param list<LossRate> $rates
     * @param list<SpecificAllowance> $specific
     * @param list<Overlay> $overlays
     * @param Credits $aged how the aged list shows credits
     */
    public function __construct(
        public AgeBuckets $buckets,
        public array $rates,
        public array $specific,
        public array $overlays,
        public ContestedPolicy $contested,
        public CreditsPolicy $credits,
        public Credits $aged,
    ) {}

    /** The columns of the matrix: what is contested has its own where a rate is given for it. */
    public function columns(): AgeBuckets
    {
        $hasRate = array_filter($this->rates, static fn (LossRate $rate): bool => $rate->bucket === 'contested') !== [];
        $in = $hasRate && $this->contested === ContestedPolicy::In ? ContestedIn::Column : ContestedIn::Bucket;

        return new AgeBuckets($this->buckets->edges, $this->buckets->basis, $in);
    }

    /** How credits lessen the columns: as the aged list shows them, by their own date where it shows them apart. */
    public function creditsIn(): Credits
    {
        return $this->aged === Credits::Separate ? Credits::OwnDate : $this->aged;
    }

    public function words(): string
    {
        return "contested {$this->contested->value}, credits {$this->credits->value}";
    }
}
