<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use App\Models\User;
use App\Support\Books;
use App\Support\DemoBooks;
use App\Support\Shelf;
use Illuminate\Support\Facades\File;

/** Makes further books beside those at hand, for whoever asks for them. */
final readonly class AddBooks
{
    public function __construct(private Books $books, private FirstStart $start, private People $people) {}

    /**
     * @param array<string, string> $settings of the new books, by name; the firm's names their address
     * @return string the slug of the new books
     *
     * @throws Refusal when something does not fit; nothing is left then
     */
    public function post(User $by, array $settings): string
    {
        if (DemoBooks::areHere()) {
            throw new Refusal('These are the books of the demo. Books of your own begin with “./ajuste serve”.');
        }
        $slug = Shelf::free($settings['books_name']);
        $people = PeopleFile::path(Books::file());
        $folder = dirname($people)."/{$slug}";
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
        } catch (Refusal $refusal) {
            File::deleteDirectory($folder);
            throw $refusal;
        }
        Shelf::add($slug, $file);

        return $slug;
    }
}
