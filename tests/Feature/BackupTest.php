<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Person;
use App\Support\Backup;
use App\Support\Sessions;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use ZipArchive;

/** The books go into one file and come back, and nothing that is there is lost on the way. */
final class BackupTest extends BooksTestCase
{
    private function backup(string $folder): string
    {
        self::assertSame(0, Artisan::call('ajuste:backup', ['folder' => $folder, '--keep' => '2']), Artisan::output());

        return (glob("{$folder}/*.zip") ?: [''])[0];
    }

    private function restore(string $file, bool $replace = true): int
    {
        DB::disconnect();

        return Artisan::call('ajuste:restore', ['file' => $file, '--replace' => $replace]);
    }

    public function test_books_and_their_source_files_come_back_as_they_were(): void
    {
        $this->importBasics();
        $files = count(File::files("{$this->folder}/files"));
        $items = DB::table('items')->count();
        $file = $this->backup("{$this->folder}/kept");
        $this->assertBooksHold();
        self::assertSame('backup', DB::table('audit_records')->orderByDesc('id')->value('what'));
        $this->import(['items.csv' => self::items(['Z9,invoice,C1,2026-10-05,2026-12-01,EUR,5.00,5.00,,,,'])]);
        Cache::put('remembered', 'of a later day');
        self::assertSame(1, $this->restore($file, replace: false), 'never unasked');
        self::assertSame($items + 1, DB::table('items')->count());
        Sessions::file()->table('sessions')->insert(['id' => 's', 'user_id' => 1, 'payload' => '', 'last_activity' => time()]);
        self::assertSame(0, $this->restore($file));
        self::assertFileDoesNotExist("{$this->folder}/books.sqlite.sessions", 'everybody signs in anew');
        self::assertSame($items, DB::table('items')->count());
        self::assertNull(Cache::get('remembered'));
        self::assertCount($files, File::files("{$this->folder}/files"));
        self::assertSame(0, Artisan::call('ajuste:verify'), Artisan::output());
        self::assertCount(1, glob("{$this->folder}/before-*/books.sqlite") ?: [], 'what was there is kept');
    }

    public function test_people_come_back_where_there_are_none_and_those_who_are_here_stay(): void
    {
        $this->importBasics();
        $this->personWithPassword('seven green olives');
        $file = $this->backup("{$this->folder}/kept");
        Person::of('preparer@example.invalid')?->update(['password' => 'ten stuffed olives']);
        self::assertSame(0, $this->restore($file));
        $signIn = fn (string $password): bool => $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => $password])
            ->isRedirect(url('/')) && $this->post('/sign-out')->isRedirect();
        self::assertTrue($signIn('ten stuffed olives'), 'a password that was changed since stays changed');
        DB::purge('people');
        File::delete(glob("{$this->folder}/people.sqlite*") ?: []);
        self::assertSame(0, $this->restore($file));
        self::assertTrue($signIn('seven green olives'));
        self::assertSame('0600', substr(sprintf('%o', fileperms("{$this->folder}/people.sqlite")), -4));
    }

    public function test_the_desk_says_how_old_the_last_backup_is(): void
    {
        $this->importBasics(['items.csv' => self::items(['Z8,invoice,C1,2026-10-05,2026-12-01,EUR,5.00,5.00,,,,'])]);
        $this->actingAs($this->person());
        $this->get('/')->assertOk()->assertSee('None yet.')->assertSee('Write a backup');
        $this->post('/sign-off/backup')->assertSessionHas('done');
        $this->get('/')->assertSee('All that was posted is in it.')->assertDontSee('Write a backup');
        $this->travel(2)->days();
        $this->import(['items.csv' => self::items(['Z9,invoice,C1,2026-10-05,2026-12-01,EUR,5.00,5.00,,,,'])]);
        $this->get('/')->assertSee('What was posted since is not in it.')->assertSee('Write a backup');
    }

    public function test_a_backup_with_one_byte_altered_is_refused_and_the_books_stay(): void
    {
        $this->importBasics();
        $file = $this->backup("{$this->folder}/kept");
        $items = DB::table('items')->count();
        $zip = new ZipArchive;
        $zip->open($file);
        $books = (string) $zip->getFromName('books.sqlite');
        $zip->addFromString('books.sqlite', substr_replace($books, 'x', 5_000, 1));
        $zip->close();
        self::assertSame(1, $this->restore($file));
        self::assertSame($items, DB::table('items')->count());
        $this->refused('no backup of books', static fn () => Backup::restore(__FILE__, true));
        $hostile = "{$this->folder}/hostile.zip";
        $zip->open($hostile, ZipArchive::CREATE);
        $zip->addFromString('books.sqlite', $books);
        $zip->addFromString('../out.php', 'x');
        $zip->addFromString('manifest.json', (string) json_encode([
            'books.sqlite' => hash('sha256', $books), '../out.php' => hash('sha256', 'x'),
        ]));
        $zip->close();
        $this->refused('files that no backup has', static fn () => Backup::restore($hostile, true));
        self::assertFileDoesNotExist(dirname($this->folder).'/out.php');
        self::assertSame([], glob("{$this->folder}/restored-*"), 'nothing half done is left');
    }

    public function test_only_the_latest_backups_stay(): void
    {
        foreach (range(1, 3) as $ignored) {
            $this->backup("{$this->folder}/kept");
        }
        self::assertCount(2, glob("{$this->folder}/kept/*") ?: []);
    }
}
