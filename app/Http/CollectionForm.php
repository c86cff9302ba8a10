<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use App\Queries\DueMandate;
use Illuminate\Http\Request;

/** What a person ticked to be collected, and for when. */
final readonly class CollectionForm
{
    /** @param  ?list<int>  $items null: everything that is due */
    private function __construct(public string $day, public ?array $items) {}

    /** @param  string  $day where none is typed */
    public static function of(Request $request, string $day): self
    {
        $typed = $request->string('day')->toString();
        $ticked = $request->input('tick', $request->old('tick'));
        $items = is_array($ticked) ? array_values(array_filter(array_map(intval(...), array_keys($ticked)))) : null;

        return new self($typed === '' ? $day : Day::of($typed), $request->isMethod('post') ? ($items ?? []) : $items);
    }

    public function isTicked(int $itemId): bool
    {
        return $this->items === null || in_array($itemId, $this->items, true);
    }

    /**
     * @param list<DueMandate> $due
     * @param array<int, int> $prepared the collection that is being prepared, by item
     * @return list<DueLine> with those first of which something can be collected
     */
    public function fitted(array $due, array $prepared): array
    {
        $lines = [];
        foreach ($due as $of) {
            $taken = $of->taken();
            foreach ($of->items as $item) {
                $in = $prepared[$item->item->id] ?? null;
                $can = in_array($item, $taken, true) && $in === null;
                $lines[] = new DueLine($of, $item, $in, $can, $can && $this->isTicked($item->item->id));
            }
        }
        usort($lines, static fn (DueLine $one, DueLine $other): int => $other->can <=> $one->can);

        return $lines;
    }
}
