<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\People;
use App\Models\User;
use App\Support\AuditTrail;
use App\Support\DemoBooks;
use App\Support\FirstCode;
use App\Support\Passwords;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\TestWith;

/** Books of one's own: the first person, further ones, and what the demo leaves alone. */
final class PeopleTest extends BooksTestCase
{
    private const LONG = 'seven green olives';

    public function test_the_first_page_of_empty_books_makes_them_ones_own(): void
    {
        $this->get('/')->assertRedirect('/sign-in');
        $this->get('/sign-in')->assertRedirect('/first-start');
        $this->get('/first-start')->assertOk()->assertSee('These books are empty');
        $typed = [
            'books_name' => 'Molino Alto', 'base_currency' => 'eur', 'period' => '2026-09', 'name' => 'Ana', 'email' => 'Ana@example.org',
            'password' => self::LONG,
        ];
        foreach ([
            ['password' => 'short', 'says' => 'at least 12'], ['base_currency' => 'XX', 'says' => 'base currency'],
            ['period' => '2026-15', 'says' => 'year and month'], ['name' => ' ', 'says' => 'A name'],
        ] as $wrong) {
            $this->post('/first-start', [...$typed, ...$wrong]);
            $refusal = session('refusal');
            self::assertStringContainsString($wrong['says'], is_string($refusal) ? $refusal : '');
            self::assertSame([0, 0], [User::query()->count(), DB::table('settings')->count()], 'nothing is half done');
        }
        $this->post('/first-start', $typed)->assertRedirect('/');
        self::assertSame(['ana@example.org'], User::query()->pluck('email')->all());
        $this->get('/')->assertOk();
        $this->post('/sign-out');
        $this->get('/first-start')->assertRedirect('/sign-in');
        $this->post('/first-start', $typed);
        self::assertSame(1, User::query()->count());
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG])->assertRedirect('/');
    }

    public function test_from_another_machine_the_first_person_types_the_code_that_the_command_printed(): void
    {
        $typed = [
            'books_name' => 'Molino Alto', 'base_currency' => 'EUR', 'period' => '2026-09', 'name' => 'Ana', 'email' => 'ana@example.org',
            'password' => self::LONG,
        ];
        self::assertSame(0, Artisan::call('ajuste:first-code'));
        $code = (string) FirstCode::current();
        self::assertMatchesRegularExpression('/^[0-9a-f]{4}(-[0-9a-f]{4}){2}$/D', $code);
        self::assertSame($code, FirstCode::current(), 'it stays until somebody is there');
        $this->get('/first-start')->assertDontSee('Code, as the command');
        $there = ['REMOTE_ADDR' => '192.0.2.7'];
        $this->withServerVariables($there)->get('/first-start')->assertOk()->assertSee('Code, as the command');
        foreach ([[], ['code' => ''], ['code' => '0000-0000-0000']] as $wrong) {
            $this->withServerVariables($there)->post('/first-start', [...$typed, ...$wrong]);
            self::assertSame(0, User::query()->count());
        }
        $this->withServerVariables([])->post('/first-start', $typed, ['X-Forwarded-For' => '192.0.2.7']);
        self::assertSame(0, User::query()->count(), 'handed on by another machine');
        $this->withServerVariables($there)->post('/first-start', [...$typed, 'code' => strtoupper($code)])->assertRedirect('/');
        self::assertSame([1, null], [User::query()->count(), FirstCode::current()]);
        self::assertFalse(FirstCode::fits(''), 'there is none any more');
    }

    public function test_who_comes_and_goes_and_what_is_taken_out_is_in_the_trail(): void
    {
        app(People::class)->add('Ana', 'ana@example.org', 'reviewer', self::LONG);
        $this->importBasics([]);
        $trail = fn (): array => DB::table('audit_records')->whereIn('what', AuditTrail::COMINGS_AND_GOINGS)->orderBy('id')
            ->get()->map(static fn (object $of): string => "{$of->who}: {$of->what}, {$of->subject}")->all();
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => 'wrong, but long']);
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG]);
        $this->get('/aged')->assertOk();
        $this->get('/aged.csv')->assertOk();
        $this->get('/aged.csv?as_of=moon');
        $this->post('/sign-out');
        $this->get('/aged.csv')->assertRedirect('/sign-in');
        $id = User::query()->value('id');
        self::assertSame([
            'nobody: sign-in refused, ana@example.org', "Ana: sign in, person {$id}", 'Ana: download, aged-1100-2026-10-31.csv',
            "Ana: sign out, person {$id}",
        ], $trail());
        $this->assertBooksHold();
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG]);
        $this->get('/trail')->assertOk()->assertSee('aged-1100-2026-10-31.csv');
        $this->get('/')->assertOk()->assertDontSee('aged-1100-2026-10-31.csv')->assertDontSee('Sign in, person');
    }

    public function test_people_are_added_disabled_and_given_passwords(): void
    {
        $people = app(People::class);
        $people->add('Ana', 'ana@example.org', 'reviewer', self::LONG);
        $this->refused('already', fn () => $people->add('Ana', 'other@example.org', 'reader', self::LONG));
        $this->refused('is no role', fn () => $people->add('Eva', 'eva@example.org', 'owner', self::LONG));
        $this->refused('e-mail address', fn () => $people->add('Eva', 'eva', 'reader', self::LONG));
        $this->refused('Nobody has the address', fn () => $people->setPassword('eva@example.org', self::LONG));
        $people->setPassword('ana@example.org', 'eleven black olives');
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => self::LONG])->assertSessionHasErrors('email');
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => 'eleven black olives'])->assertRedirect('/');
        $this->get('/trail')->assertOk();
        $people->disable('ana@example.org');
        app('auth')->forgetGuards();
        $this->get('/trail')->assertRedirect('/sign-in');
        $this->post('/sign-in', ['email' => 'ana@example.org', 'password' => 'eleven black olives'])->assertSessionHasErrors('email');
        self::assertSame(0, Artisan::call('ajuste:people', ['what' => 'list', '--json' => true]));
        self::assertStringContainsString('"role": "reviewer"', Artisan::output());
        self::assertSame(2, Artisan::call('ajuste:people', ['what' => 'nothing']));
    }

    #[TestWith(['elevenchars', 'has 11 characters'])]
    #[TestWith(['password1234', 'among the first'])]
    #[TestWith(['PASSWORD1234', 'among the first'])]
    #[TestWith(['aaaaaaaaaaaaa', 'among the first'])]
    #[TestWith(['abcabcabcabc', 'among the first'])]
    public function test_weak_passwords(string $password, string $says): void
    {
        $this->refused($says, static fn () => Passwords::refuseWeak($password));
    }

    public function test_the_demo_leaves_other_books_alone_and_its_password_opens_none(): void
    {
        $this->importBasics();
        foreach ([[], ['--fresh' => true]] as $options) {
            self::assertSame(1, Artisan::call('ajuste:demo', $options));
        }
        self::assertSame(3, DB::table('customers')->count());
        $this->personWithPassword();
        $this->post(
            '/sign-in',
            ['email' => 'preparer@example.invalid', 'password' => DemoBooks::PASSWORD],
        )->assertSessionHasErrors('email');
        DemoBooks::mark();
        $this->post('/sign-in', ['email' => 'preparer@example.invalid', 'password' => DemoBooks::PASSWORD])->assertRedirect('/');
    }
}
