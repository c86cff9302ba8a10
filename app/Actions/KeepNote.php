<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\KeptFiles;
use App\Support\Moment;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

/** Notes what a person wants others to know of a document, a customer or a cause, with a file or a link. */
final readonly class KeepNote
{
    private const LONGEST = 4_000;

    private const LARGEST = 20 * 1024 * 1024;

    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $subject such as `item 12`
     * @return int the note
     *
     * @throws Refusal when it says nothing, is too long, or its file or link cannot be kept
     */
    public function post(string $key, string $subject, string $text, string $link, ?UploadedFile $file): int
    {
        return (int) Once::for($key, function () use ($subject, $text, $link, $file): int {
            $text = trim($text);
            $link = trim($link);
            if ($text === '' && $link === '' && $file === null) {
                throw new Refusal('A note needs words, a link or a file.');
            }
            if (mb_strlen($text) > self::LONGEST) {
                throw new Refusal(
                    'A note has at most '.
                        number_format(self::LONGEST).
                        ' characters; this one has '.
                        number_format(mb_strlen($text)).
                        '. Attach it as a file.',
                );
            }
            if ($link !== '' && preg_match('~^https?://[^\s<>"]{3,500}$~i', $link) !== 1) {
                throw new Refusal("“{$link}” is not a link; one that begins with https:// or http:// is expected.");
            }
            if ($file !== null && (! $file->isValid() || $file->getSize() > self::LARGEST)) {
                throw new Refusal("“{$file->getClientOriginalName()}” did not arrive whole, or is larger than 20 MB.");
            }
            $digest = $file === null ? '' : KeptFiles::keep($file->getPathname());
            $id = DB::table('notes')->insertGetId([
                'subject' => $subject,
                'text' => $text,
                'link' => $link,
                'file_name' => $file === null ? '' : mb_strimwidth($file->getClientOriginalName(), 0, 200),
                'file_sha256' => $digest,
                'file_bytes' => $file === null ? 0 : (int) $file->getSize(),
                'who' => $this->actor->who,
                'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('note', $subject, $text, array_filter(['link' => $link, 'file' => $digest]));

            return $id;
        });
    }

    public function strike(string $key, int $noteId): void
    {
        Once::for($key, function () use ($noteId): int {
            $note = DB::table('notes')->where('id', $noteId)->first() ?? throw new Refusal('There is no such note. Load the page again.');
            DB::table('notes_struck')->insertOrIgnore(['note_id' => $noteId, 'who' => $this->actor->who, 'recorded_at' => Moment::now()]);
            $this->audit->record('strike note', $note->subject, $note->text);

            return $noteId;
        });
    }
}
