<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\AuditRecord;
use Illuminate\Support\Facades\DB;

/** The audit trail: each record carries the digest of the one before, so that none can be changed or taken out unseen. */
final readonly class AuditTrail
{
    /** What persons do that changes no figure: who comes and goes, and what is taken out as a file. */
    public const COMINGS_AND_GOINGS = ['sign in', 'sign-in refused', 'sign out', 'download'];

    /** Records that are written by one statement. */
    private const TOGETHER = 500;

    public function __construct(private Actor $actor) {}

    /** @param  array<string, string|int|null>  $details */
    public function record(string $what, string $subject, string $why = '', array $details = []): void
    {
        $this->append([$this->entry($what, $subject, $why, $details)]);
    }

    /**
     * What is going to be recorded.
     *
     * @param array<string, string|int|null> $details
     */
    public function entry(string $what, string $subject, string $why = '', array $details = []): AuditRecord
    {
        return new AuditRecord([
            'who' => $this->actor->who,
            'what' => $what,
            'subject' => $subject,
            'why' => $why,
            'details' => json_encode($details, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            'source' => $this->actor->source,
        ]);
    }

    /**
     * Records now what was gathered, or what a copy of the books has recorded.
     *
     * @param list<AuditRecord> $entries
     */
    public function append(array $entries): void
    {
        DB::transaction(static function () use ($entries): void {
            $previous = (string) AuditRecord::query()->orderByDesc('id')->value('digest');
            foreach (array_chunk($entries, self::TOGETHER) as $some) {
                $rows = [];
                foreach ($some as $entry) {
                    $record = new AuditRecord($entry->only('who', 'what', 'subject', 'why', 'details', 'source'));
                    $record->recorded_at = Moment::now();
                    $record->previous = $previous;
                    $previous = $record->digest = self::digest($record);
                    $rows[] = $record->getAttributes();
                }
                AuditRecord::query()->insert($rows);
            }
        });
    }

    /** The first record that does not fit the one before it, or null when the chain is whole. */
    public function firstBroken(): ?AuditRecord
    {
        $previous = '';
        foreach (AuditRecord::query()->orderBy('id')->lazy(1000) as $record) {
            if ($record->previous !== $previous || $record->digest !== self::digest($record)) {
                return $record;
            }
            $previous = $record->digest;
        }

        return null;
    }

    private static function digest(AuditRecord $record): string
    {
        return hash(
            'sha256',
            implode("\x1f", [
                $record->previous,
                $record->recorded_at,
                $record->who,
                $record->what,
                $record->subject,
                $record->why,
                $record->details,
                $record->source,
            ]),
        );
    }
}
