<?php

declare(strict_types=1);

namespace App\StandIn;

use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\Moment;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Symfony\Component\Mime\Address;
use Symfony\Component\Mime\Email;

/**
 * A simulated mail service that ships with Ajuste: it keeps every message as an .eml file (RFC 5322) and shows it. Nothing leaves the
 * machine.
 */
final readonly class Outbox
{
    public function __construct(private Actor $actor, private AuditTrail $audit) {}

    /**
     * @param string $about what the message belongs to
     * @param string $attachment content of a PDF; blank: none
     * @return int the message
     */
    public function keep(string $to, string $subject, string $text, string $about, string $attachment = '', string $fileName = ''): int
    {
        $email = (new Email())
            ->from(new Address('accounts@example.invalid', $this->actor->who))
            ->to($to)
            ->subject($subject)
            ->text($text);
        if ($attachment !== '') {
            $email->attach($attachment, $fileName, 'application/pdf');
        }
        $eml = $email->toString();
        $name = hash('sha256', $eml).'.eml';
        File::ensureDirectoryExists(self::folder());
        File::put(self::folder()."/{$name}", $eml);
        $id = DB::table('outbox')->insertGetId([
            'recipient' => $to,
            'subject' => $subject,
            'body' => $text,
            'about' => $about,
            'file' => $name,
            'who' => $this->actor->who,
            'recorded_at' => Moment::now(),
        ]);
        $this->audit->record('send', $about, '', ['to' => $to, 'subject' => $subject]);

        return $id;
    }

    /** What only the recipient may read, such as a link that opens the books: a file for the mail service, which no page shows. */
    public function keepPrivate(string $to, string $subject, string $text): void
    {
        $email = (new Email())->from(new Address('accounts@example.invalid', 'Ajuste'))->to($to)->subject($subject)->text($text);
        $folder = self::folder().'/private';
        File::ensureDirectoryExists($folder, 0700);
        File::put($folder.'/'.Moment::now().'.eml', $email->toString());
    }

    public static function folder(): string
    {
        return dirname(config()->string('ajuste.files')).'/outbox';
    }
}
