<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Models\PeopleFile;
use App\Models\User;
use App\Support\AuditTrail;
use App\Support\Books;
use App\Support\DemoBooks;
use App\Support\Shelf;
use Illuminate\Support\Facades\File;
use Throwable;

/** Makes further books beside those at hand, for whoever asks for them. */
final readonly class AddBooks
{
    public function __construct(private Books $books, private FirstStart $start, private People $people, private AuditTrail $audit) {}

    /**
     * @param string $key from the form
     * @param array<string, string> $settings of the new books, by name; the firm's names their address
     * @return string the slug of the new books
     *
     * @throws Refusal when something does not fit; nothing is left then
     */
    public function post(string $key, User $by, array $settings): string
    {
        $done = Once::result($key);
        if ($done !== null) {
            return $done;
        }
        if (DemoBooks::areHere()) {
            throw new Refusal('These are the books of the demo. Books of your own begin with “./ajuste serve”.');
        }
        $slug = Shelf::free($settings['books_name']);
        $people = PeopleFile::path(Books::file());
        $folder = dirname($people)."/books-{$slug}";
        if (! @mkdir($folder, 0770)) {
            throw new Refusal("The folder {$folder} is there already or cannot be made. Choose another name for the firm.");
        }
        try {
            $file = "{$folder}/books.sqlite";
            touch($file);
            File::put("{$file}.people", '../'.basename($people));
            Books::with($file, function () use ($by, $settings): void {
                $this->books->open();
                $this->start->post($settings, fn (): User => $this->people->join($by->name, $by->email, $by->role->value));
            });
        } catch (Throwable $problem) {
            File::deleteDirectory($folder);
            throw $problem;
        }

        return Once::for($key, function () use ($slug, $file): string {
            Shelf::add($slug, $file);
            $this->audit->record('add books', "books {$slug}");

            return $slug;
        });
    }
}
