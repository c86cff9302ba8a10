<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\OpenBooks;
use App\Actions\People;
use App\Models\PeopleFile;
use App\Models\Person;
use App\Models\User;
use App\Support\Books;
use App\Support\Sessions;
use App\Support\Shelf;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;

/** Several books side by side: one password, rights in each by itself, and from one to another. */
final class ShelfTest extends BooksTestCase
{
    private const LONG = 'seven green olives';

    private User $ana;

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics();
        $this->ana = app(People::class)->add('Ana', 'ana@example.org', 'reviewer', self::LONG);
        $this->actingAs($this->ana);
    }

    private function add(string $firm = 'Molino Alto', string $currency = 'eur', string $period = '2026-09', string $key = ''): string
    {
        $key = $key === '' ? bin2hex(random_bytes(4)) : $key;
        $this->post('/books', ['key' => $key, 'books_name' => $firm, 'base_currency' => $currency, 'period' => $period]);
        $says = session('refusal');

        return is_string($says) ? $says : '';
    }

    private function file(string $slug = 'molino-alto'): string
    {
        return "{$this->folder}/books-{$slug}/books.sqlite";
    }

    public function test_further_books_are_made_beside_these_and_opened_with_the_same_password(): void
    {
        foreach ([1, 2] as $click) {
            self::assertSame('', $this->add(key: 'once'));
        }
        self::assertCount(2, Shelf::all());
        self::assertSame(['books molino-alto'], DB::table('audit_records')->where('what', 'add books')->pluck('subject')->all());
        $there = Books::with($this->file(), static fn (): array => [
            User::query()->get(['name', 'email', 'role', 'administers'])->toArray(),
            DB::table('settings')->orderBy('id')->pluck('value', 'name')->all(),
            PeopleFile::path(Books::file()),
            Artisan::call('ajuste:verify'),
        ]);
        self::assertSame([
            [['name' => 'Ana', 'email' => 'ana@example.org', 'role' => 'reviewer', 'administers' => true]],
            ['books_name' => 'Molino Alto', 'base_currency' => 'EUR', 'period' => '2026-09'],
            "{$this->folder}/people.sqlite",
            0,
        ], $there);
        self::assertSame(3, DB::table('customers')->count(), 'the books at hand are these again');
        Books::with($this->file(), function (): void {
            $this->post('/sign-out');
            $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG])->assertRedirect('/');
            $this->get('/')->assertOk()->assertSee('These books are empty')->assertDontSee('Uno');
            $this->get('/books')->assertSee('September 2026, open');
        });
        $this->assertBooksHold();
    }

    public function test_the_list_says_how_each_close_stands_and_only_of_books_that_one_may_open(): void
    {
        $this->import([
            'settings.csv' => "name,value\nbooks_name,Lagar Viejo\nperiod,2026-10\n",
            'items.csv' => self::items(['I1,invoice,C1,2026-10-05,2026-12-01,EUR,5.00,5.00,,,,']),
        ]);
        $this->add();
        $this->add('Molino Bajo');
        $this->get('/books')->assertOk()->assertSeeInOrder(
            ['Lagar Viejo', 'open here', '5.00 Cr EUR', 'Molino Alto', 'no accounts yet', 'Molino Bajo'],
        );
        Books::with($this->file('molino-bajo'), static fn () => User::query()->update(['disabled_at' => 'now']));
        $this->get('/books')->assertSee('Molino Alto')->assertDontSee('Molino Bajo');
        array_map(unlink(...), (array) glob($this->file().'-*'));
        file_put_contents($this->file(), 'no books');
        $this->get('/books')->assertOk()->assertSee('do not read');
        $this->actingAs($this->person());
        $this->get('/books')->assertSee('Lagar Viejo')->assertDontSee('molino-alto');
    }

    public function test_a_pass_opens_once_within_a_minute_the_books_that_it_names(): void
    {
        $this->add();
        $enter = fn (string $slug): string => (string) strrchr(
            (string) $this->get("/books/{$slug}")->headers->get('location'),
            '/',
        );
        $here = Shelf::here()[0]->slug;
        $this->get('/books/molino-alto')->assertRedirectContains('/b/molino-alto/enter/');
        $pass = $enter('molino-alto');
        $this->get("/enter{$pass}")->assertStatus(422)->assertSee('used already');
        $opened = Books::with($this->file(), function () use ($pass): array {
            $refused = $this->get("/enter{$pass}")->getStatusCode();

            return [$refused, DB::table('audit_records')->where('what', 'sign in')->count()];
        });
        self::assertSame([422, 0], $opened, 'it was tried at the wrong door, and is used');
        $pass = $enter('molino-alto');
        Books::with($this->file(), function () use ($pass): void {
            $this->get("/enter{$pass}")->assertRedirect('/');
            self::assertSame('from other books', DB::table('audit_records')->where('what', 'sign in')->value('why'));
            $this->get("/enter{$pass}")->assertStatus(422);
        });
        $pass = $enter($here);
        $this->travel(61)->seconds();
        $this->get("/enter{$pass}")->assertStatus(422);
        $this->get('/books/nowhere')->assertStatus(422)->assertSee('no such books');
    }

    public function test_who_has_no_role_in_books_does_not_come_in(): void
    {
        $this->add();
        $bo = app(People::class)->add('Bo', 'bo@example.org', 'preparer', self::LONG);
        $pass = (string) strrchr(app(OpenBooks::class)->pass($bo, 'molino-alto'), '/');
        Books::with($this->file(), fn () => $this->get("/enter{$pass}")->assertStatus(422)->assertSee('no rights'));
        $this->actingAs($bo)->post('/books', ['books_name' => 'X', 'base_currency' => 'EUR', 'period' => '2026-09'])->assertForbidden();
    }

    public function test_who_is_known_is_invited_without_a_link_and_keeps_the_password(): void
    {
        $this->add();
        app(People::class)->add('Bo', 'bo@example.org', 'preparer', self::LONG);
        Books::with($this->file(), function (): void {
            $this->actingAs(User::query()->firstOrFail());
            $this->post('/people', ['name' => 'Bo B.', 'email' => 'Bo@example.org', 'role' => 'reader'])->assertSessionMissing('link');
            $bo = User::query()->latest('id')->firstOrFail();
            self::assertSame(['Bo', 'reader'], [$bo->name, $bo->role->value]);
            $other = static fn () => app(People::class)->add('Ana', 'ana@example.org', 'reader', 'ten stuffed olives');
            $this->refused('another password', $other);
        });
        $bo = User::query()->where('email', 'bo@example.org')->firstOrFail();
        self::assertSame('preparer', $bo->role->value, 'rights are of each books');
    }

    public function test_a_changed_password_ends_the_sessions_in_the_other_books_too(): void
    {
        $this->add();
        Books::with($this->file(), function (): void {
            $this->post('/sign-out');
            $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG]);
            $this->get('/me')->assertOk();
            Person::of('ana@example.org')?->update(['password' => 'ten stuffed olives']);
            app('auth')->forgetGuards();
            $this->get('/me')->assertRedirect('/sign-in');
            self::assertStringEndsWith('/books-molino-alto/books.sqlite.sessions', Sessions::file()->getDatabaseName());
        });
    }

    public function test_books_that_cannot_be_made_leave_nothing(): void
    {
        self::assertStringContainsString('base currency', $this->add(currency: 'olives'));
        self::assertStringContainsString('year and month', $this->add(period: '2026-15'));
        self::assertDirectoryDoesNotExist("{$this->folder}/books-molino-alto");
        self::assertSame(0, PeopleFile::open()->table('shelf')->count());
        mkdir("{$this->folder}/books-molino-alto");
        self::assertStringContainsString('is there already', $this->add());
        self::assertSame('', $this->add('Almazara Ñ/../ Übung'));
        self::assertSame('', $this->add('???'));
        $slugs = array_diff(array_column(Shelf::all(), 'slug'), [Shelf::here()[0]->slug]);
        self::assertSame(['almazara-n-ubung', 'books'], array_values($slugs));
    }

    #[TestWith(['/b/molino-alto/receipts?as_of=2026-10-31', 'molino-alto', '/b/molino-alto/receipts?as_of=2026-10-31'])]
    #[TestWith(['/b/molino-alto', 'molino-alto', '/b/molino-alto/'])]
    #[TestWith(['/b/molino-alto?x=1', 'molino-alto', '/b/molino-alto/?x=1'])]
    #[TestWith(['/receipts', null, '/receipts'])]
    #[TestWith(['/b/', null, '/b/'])]
    #[TestWith(['/b/../../etc/x', null, '/b/../../etc/x'])]
    public function test_the_address_says_which_books_these_are(string $address, ?string $slug, string $then): void
    {
        $this->add();
        putenv("AJUSTE_BOOKS={$this->folder}/books.sqlite");
        try {
            $server = ['REQUEST_URI' => $address];
            self::assertTrue(Shelf::turn($server));
            $unknown = ['REQUEST_URI' => '/b/nowhere/receipts'];
            self::assertFalse(Shelf::turn($unknown));
        } finally {
            putenv('AJUSTE_BOOKS');
        }
        self::assertSame($then, $server['REQUEST_URI']);
        self::assertSame($slug, $server['AJUSTE_SLUG'] ?? null);
        self::assertSame($slug === null ? null : $this->file(), $server['AJUSTE_BOOKS'] ?? null);
        self::assertSame($slug === null ? null : '/b/molino-alto/index.php', $server['SCRIPT_NAME'] ?? null);
    }
}
