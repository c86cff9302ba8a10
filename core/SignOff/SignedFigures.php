<?php

declare(strict_types=1);

namespace Ajuste\Core\SignOff;

/** The figures of a period that a signature is over. */
final readonly class SignedFigures
{
    /** @param  array<string, string>  $byName */
    public function __construct(public array $byName) {}

    public function digest(): string
    {
        return hash('sha256', implode("\n", array_map(
            static fn (string $name, string $figure): string => "{$name}\x1f{$figure}",
            array_keys($this->byName),
            $this->byName,
        )));
    }

    /** @return list<string> what is another figure now, in words */
    public function changedSince(self $signed): array
    {
        $changed = [];
        foreach ([...$signed->byName, ...$this->byName] as $name => $figure) {
            [$then, $now] = [$signed->byName[$name] ?? 'nothing', $this->byName[$name] ?? 'nothing'];
            if ($then !== $now) {
                $changed[] = "{$name} was {$then} and is {$now}";
            }
        }

        return $changed;
    }
}
