<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\People;
use App\Models\PeopleFile;
use App\Models\User;
use App\StandIn\Outbox;
use App\Support\OneTimeCode;
use App\Support\Sessions;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use PHPUnit\Framework\Attributes\TestWith;

/** Inviting, passwords, the second factor, and how long a session holds. */
final class SignInTest extends BooksTestCase
{
    private const LONG = 'seven green olives';

    private User $ana;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ana = app(People::class)->add('Ana', 'ana@example.org', 'preparer', self::LONG);
    }

    /** RFC 6238, appendix B: the vectors for SHA-1, eight digits. */
    #[TestWith([59, '94287082'])]
    #[TestWith([1_111_111_109, '07081804'])]
    #[TestWith([1_111_111_111, '14050471'])]
    #[TestWith([1_234_567_890, '89005924'])]
    #[TestWith([2_000_000_000, '69279037'])]
    #[TestWith([20_000_000_000, '65353130'])]
    public function test_codes_are_those_of_the_standard(int $time, string $code): void
    {
        self::assertSame($code, OneTimeCode::at('12345678901234567890', intdiv($time, 30), 8));
    }

    public function test_a_secret_is_written_in_base32_and_a_code_holds_once_and_about_now(): void
    {
        // RFC 4648, 10: base32 of "foobar", without its padding.
        self::assertSame('foobar', OneTimeCode::bytes('MZXW6YTBOI'));
        $secret = OneTimeCode::newSecret();
        self::assertMatchesRegularExpression('/^[A-Z2-7]{32}$/', $secret);
        self::assertNotSame($secret, OneTimeCode::newSecret());
        $code = static fn (int $at): string => OneTimeCode::at(OneTimeCode::bytes($secret), intdiv($at, 30));
        $now = 1_800_000_000;
        self::assertSame(intdiv($now, 30), OneTimeCode::step($secret, $code($now), $now, 0));
        self::assertNotNull(OneTimeCode::step($secret, $code($now - 30), $now, 0));
        self::assertNotNull(OneTimeCode::step($secret, ' '.$code($now + 30), $now, 0));
        self::assertNull(OneTimeCode::step($secret, $code($now), $now, intdiv($now, 30)), 'each opens once');
        self::assertNull(OneTimeCode::step($secret, $code($now), $now + 90, 0));
        self::assertNull(OneTimeCode::step($secret, '', $now, 0));
    }

    private function signIn(string $password = self::LONG, string $email = 'ana@example.org'): void
    {
        $this->post('/sign-in', ['email' => $email, 'password' => $password]);
    }

    public function test_the_first_person_invites_another_who_sets_a_password_and_does_what_the_role_says(): void
    {
        self::assertTrue($this->ana->administers);
        $this->signIn();
        $this->get('/people')->assertOk()->assertSee('Invite a person');
        $this->post('/people', ['name' => 'Bo', 'email' => 'ana@example.org', 'role' => 'reader']);
        self::assertSame(1, User::query()->count());
        $this->post('/people', ['name' => 'Bo', 'email' => 'bo@example.org', 'role' => 'reader'])->assertRedirect();
        $link = session('link');
        self::assertIsString($link);
        $this->get('/people?person=2')->assertSee($link)->assertSee('holds for seven days');
        $this->get('/people?person=2')->assertDontSee($link);
        $this->post('/sign-out');
        $this->get($link)->assertOk()->assertSee('Welcome, Bo');
        $this->post($link, ['password' => 'short']);
        $this->get($link)->assertOk();
        $this->post($link, ['password' => 'nine black olives'])->assertRedirect('/sign-in');
        $this->get($link)->assertStatus(422)->assertSee('used already');
        $this->post($link, ['password' => 'another long password'])->assertRedirect();
        $this->signIn('nine black olives', 'bo@example.org');
        $this->get('/people')->assertOk()->assertDontSee('Invite a person');
        $this->post('/people', ['name' => 'C', 'email' => 'c@example.org', 'role' => 'reviewer'])->assertForbidden();
        $this->post('/people/1/role', ['role' => 'reader', 'reason' => 'x'])->assertForbidden();
        $this->post('/notes', [])->assertForbidden();
    }

    public function test_roles_change_with_a_reason_and_never_ones_own(): void
    {
        $bo = app(People::class)->add('Bo', 'bo@example.org', 'reader', self::LONG.' too');
        self::assertFalse($bo->administers);
        $this->signIn();
        $this->post('/people/2/role', ['role' => 'reviewer', 'reason' => ' ']);
        $this->post('/people/1/role', ['role' => 'reviewer', 'reason' => 'I want it']);
        $this->post('/people/1/disable');
        $this->post('/people/2/role', ['role' => 'owner', 'reason' => 'x']);
        self::assertSame(['preparer', 'reader'], User::query()->orderBy('id')->toBase()->pluck('role')->all());
        $this->post('/people/2/role', ['role' => 'reviewer', 'reason' => 'Signs from now on', 'administers' => '1'])->assertRedirect();
        self::assertTrue($bo->fresh()?->administers);
        self::assertSame('Signs from now on', DB::table('audit_records')->where('what', 'change role')->value('why'));
        $this->post('/people/2/disable');
        self::assertNotNull($bo->fresh()?->disabled_at);
        $this->post('/people/2/enable');
        self::assertNull($bo->fresh()?->disabled_at);
    }

    public function test_a_forgotten_password_is_replaced_by_a_link_that_no_page_shows(): void
    {
        $this->get('/forgotten')->assertOk();
        $said = $this->post('/forgotten', ['email' => 'nobody@example.org'])->assertRedirect('/sign-in')->getSession()->get('said');
        self::assertSame($said, $this->post('/forgotten', ['email' => 'ANA@example.org'])->getSession()->get('said'));
        $messages = File::files(Outbox::folder().'/private');
        self::assertCount(1, $messages);
        preg_match('~/welcome/[0-9a-f]{48}~', str_replace("=\r\n", '', (string) file_get_contents($messages[0]->getPathname())), $link);
        $this->signIn();
        $this->get('/outbox')->assertDontSee('Another password');
        $this->post('/sign-out');
        $this->travel(61)->minutes();
        $this->get($link[0])->assertStatus(422);
        $this->travelBack();
        $this->post($link[0], ['password' => 'ten stuffed olives'])->assertRedirect('/sign-in');
        $this->signIn();
        $this->assertGuest();
        $this->signIn('ten stuffed olives');
        $this->assertAuthenticated();
    }

    public function test_a_changed_password_ends_the_other_sessions(): void
    {
        $session = ['user_agent' => 'Other', 'payload' => '', 'last_activity' => time()];
        Sessions::file()->table('sessions')->insert([
            [...$session, 'id' => 'elsewhere', 'user_id' => 1, 'ip_address' => '192.0.2.7'],
            [...$session, 'id' => 'stranger', 'user_id' => 9, 'ip_address' => '192.0.2.8'],
        ]);
        $this->signIn();
        $this->get('/me')->assertOk()->assertSee('192.0.2.7')->assertDontSee('192.0.2.8');
        $this->post('/me/password', ['present' => 'wrong', 'password' => 'ten stuffed olives']);
        self::assertNotNull(Sessions::file()->table('sessions')->find('elsewhere'));
        $this->post('/me/password', ['present' => self::LONG, 'password' => 'ten stuffed olives']);
        self::assertNull(Sessions::file()->table('sessions')->find('elsewhere'));
        self::assertNotNull(Sessions::file()->table('sessions')->find('stranger'));
        $this->post('/me/sessions/'.Sessions::name('stranger').'/end');
        self::assertNotNull(Sessions::file()->table('sessions')->find('stranger'), 'one ends only one’s own');
    }

    public function test_a_second_factor_is_asked_for_and_each_code_opens_once(): void
    {
        $this->signIn();
        $page = (string) $this->get('/me')->getContent();
        preg_match('/secret=([A-Z2-7]{32})/', $page, $found);
        $code = static fn (int $steps): string => OneTimeCode::at(OneTimeCode::bytes($found[1]), intdiv(time(), 30) + $steps);
        $this->post('/me/second-factor', ['code' => '000000']);
        self::assertNull($this->ana->person()->second_factor);
        $codes = $this->post('/me/second-factor', ['code' => $code(0)])->getSession()->get('codes');
        self::assertCount(10, (array) $codes);
        $kept = (string) PeopleFile::open()->table('people')->value('second_factor');
        self::assertStringNotContainsString($found[1], $kept, 'kept encrypted');
        $this->post('/sign-out');
        $this->signIn();
        $this->assertGuest();
        $this->get('/sign-in/code')->assertOk();
        $this->post('/sign-in/code', ['code' => $code(0)])->assertSessionHasErrors();
        $this->assertGuest('web');
        $this->post('/sign-in/code', ['code' => $code(1)])->assertRedirect();
        $this->assertAuthenticated();
        $this->post('/sign-out');
        foreach ([true, false] as $opens) {
            $this->signIn();
            $this->post('/sign-in/code', ['code' => ((array) $codes)[3]]);
            $opens ? $this->assertAuthenticated() : $this->assertGuest();
            $this->post('/sign-out');
        }
        $this->signIn();
        $this->travel(6)->minutes();
        $this->get('/sign-in/code')->assertOk();
        $this->travelBack();
        $this->post('/sign-in/code', ['code' => ((array) $codes)[4]]);
        $this->post('/me/second-factor/give-up', ['present' => 'wrong']);
        self::assertNotNull($this->ana->person()->second_factor);
        $this->post('/me/second-factor/give-up', ['present' => self::LONG]);
        self::assertNull($this->ana->person()->second_factor);
    }

    public function test_codes_cannot_be_tried_through(): void
    {
        $this->ana->person()->update(['second_factor' => OneTimeCode::newSecret()]);
        $this->signIn();
        for ($try = 0; $try < 6; $try++) {
            $this->post('/sign-in/code', ['code' => "00000{$try}"]);
        }
        $this->post('/sign-in/code', ['code' => '000007'])->assertSessionHasErrors('code');
        $this->get('/sign-in/code')->assertSee('Too many tries');
        $this->assertGuest();
    }

    public function test_a_session_ends_after_its_longest_time_and_what_was_typed_is_there_again(): void
    {
        $this->signIn();
        $this->get('/me/stay')->assertNoContent();
        $this->withSession(['signed in since' => time() - 12 * 3600 - 1]);
        $this->post('/people', ['name' => 'Bo', 'email' => 'bo@example.org', 'role' => 'reader'], ['referer' => url('/people')])
            ->assertRedirect('/sign-in');
        $this->assertGuest();
        self::assertSame(1, User::query()->count());
        $this->signIn();
        self::assertSame('Bo', session()->getOldInput('name'));
    }
}
