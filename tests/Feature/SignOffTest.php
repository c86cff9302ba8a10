<?php

declare(strict_types=1);

namespace Tests\Feature;

use Ajuste\Core\Pack\Manifest;
use App\Actions\CutPack;
use App\Models\User;
use App\Queries\Settings;
use App\Support\ClosePack;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\View;
use Illuminate\View\View as CoverView;
use PDO;
use ZipArchive;

/** A period ends: checks, two signatures over the same figures, the lock, the next month (R13). */
final class SignOffTest extends BooksTestCase
{
    private User $preparer;

    private User $reviewer;

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'items.csv' => self::items(['I1,invoice,C1,2026-10-01,2026-11-01,EUR,100.00,100.00,,,E1,']),
            'ledger.csv' => self::ledger(['E1,2026-10-01,1100,s,100.00,,I1,', 'E1,2026-10-01,4000,s,,100.00,I1,']),
        ]);
        $this->preparer = $this->person();
        $this->reviewer = $this->person('reviewer');
    }

    private function sign(string $key, User $as, string $outside = ''): void
    {
        $this->actingAs($as)->post('/sign-off/backup');
        $page = (string) $this->get('/sign-off')->assertOk()->getContent();
        preg_match('/name="seen" value="(\w+)"/', $page, $seen);
        $this->post('/sign-off/sign', ['key' => $key, 'seen' => $seen[1] ?? '', 'outside' => $outside]);
    }

    private function says(string $words): void
    {
        $says = session('refusal');
        self::assertStringContainsString($words, is_string($says) ? $says : '');
    }

    public function test_two_people_sign_the_period_is_locked_and_the_next_one_opens(): void
    {
        $this->sign('a', $this->preparer);
        $this->actingAs($this->preparer)->get('/sign-off')->assertSee('In review')->assertSee('Outside reviewer');
        $this->sign('b', $this->preparer);
        $this->says('A reviewer approves this');
        self::assertNull(app(Settings::class)->locked()->through);
        $this->sign('c', $this->reviewer);
        app(Settings::class)->forget();
        self::assertSame(['2026-10-31', '2026-11'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        $late = $this->import(['items.csv' => self::items(['I2,invoice,C1,2026-10-30,2026-11-01,EUR,1.00,1.00,,,E2,'])]);
        self::assertSame([[], 1], [$late->refused, count($late->late)]);
        self::assertStringContainsString('locked', $late->late[0]->expected);
        $this->get('/')->assertSee('November 2026');
        $this->get('/sign-off')->assertSee('2026-10 was signed second by A reviewer');
        $this->assertBooksHold();
    }

    /** R13: nothing takes effect in locked days; a period 13 leaves the year's last day open until it is signed itself. */
    public function test_the_second_signature_holds_nobody_up(): void
    {
        $written = 0;
        Event::listen(QueryExecuted::class, function (QueryExecuted $query) use (&$written): void {
            if (str_starts_with($query->sql, 'insert into "period_locks"')) {
                $other = new PDO("sqlite:{$this->folder}/books.sqlite", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION]);
                $other->exec('PRAGMA busy_timeout = 0');
                $other->exec("UPDATE notes SET text = '' WHERE 0");
                $written++;
            }
        });
        $this->sign('a', $this->preparer);
        foreach ([1, 2] as $click) {
            $this->sign('b', $this->reviewer);
        }
        self::assertSame([1, 1, 2], [$written, DB::table('period_locks')->count(), DB::table('signatures')->count()]);
        self::assertSame(1, DB::table('audit_records')->where('what', 'sign as reviewer')->count());
        $this->assertBooksHold();
    }

    public function test_a_period_13_takes_adjustments_on_the_last_day_of_a_year_that_is_signed(): void
    {
        $calendar = "period,from,to\n2026-13,2026-10-31,2026-10-31\n";
        self::assertSame([], $this->import(['calendar.csv' => $calendar])->refused);
        self::assertTrue($this->import(['calendar.csv' => $calendar])->changesNothing());
        $over = $this->import(['calendar.csv' => "period,from,to\n2026-14,2026-10-31,2026-10-31\n"])->refused[0];
        self::assertSame('a day outside of 2026-13 (2026-10-31 to 2026-10-31) is expected', $over->expected);
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->reviewer);
        app(Settings::class)->forget();
        self::assertSame(['2026-10-30', '2026-13'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        $adjusted = static fn (string $day): array => [
            'items.csv' => self::items(["I2,invoice,C1,{$day},2026-11-01,EUR,7.00,7.00,,,E2,"]),
            'ledger.csv' => self::ledger(["E2,{$day},1100,s,7.00,,I2,", "E2,{$day},4000,s,,7.00,I2,"]),
        ];
        self::assertNotSame([], $this->import($adjusted('2026-10-30'), rehearse: true)->late, 'the day before is locked');
        self::assertSame([[], []], [($taken = $this->import($adjusted('2026-10-31')))->refused, $taken->late]);
        $this->get('/sign-off')->assertSee('Sign-off of period 13 of 2026')->assertSee('2026-10 was signed second by');
        $this->get('/sign-off/2026-10')->assertSeeInOrder(['Balance of 1100', '100.00', '107.00', 'changed']);
        $this->sign('c', $this->preparer);
        $this->sign('d', $this->reviewer);
        app(Settings::class)->forget();
        self::assertSame(['2026-10-31', '2026-11'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        foreach (['2026-10' => '100.00', '2026-13' => '107.00'] as $period => $signed) {
            $this->get("/sign-off/{$period}")->assertOk()->assertSeeInOrder(['Balance of 1100', $signed]);
            $this->get("/sign-off/{$period}/pack.zip")->assertOk();
        }
        $this->post('/sign-off/reopen', ['key' => 'r', 'reason' => 'one more adjustment'])->assertSessionHas('done');
        app(Settings::class)->forget();
        self::assertSame(['2026-10-30', '2026-13'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        $this->post('/sign-off/reopen', ['key' => 's', 'reason' => 'and October'])->assertSessionHas('done');
        app(Settings::class)->forget();
        self::assertSame(['2026-09-30', '2026-10'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        $this->assertBooksHold();
    }

    public function test_a_large_pack_is_cut_beside_the_pages(): void
    {
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->reviewer);
        app(Settings::class)->forget();
        config(['ajuste.long_packs' => 1]);
        $at = (string) $this->get('/sign-off/2026-10/pack.zip')->assertRedirect()->headers->get('location');
        $this->followingRedirects()->get($at)->assertOk()->assertSee('The pack is cut.')->assertSee('the one that was cut');
        $this->get('/sign-off/packs/'.basename($at).'.zip')->assertOk()->assertDownload('close-2026-10.zip');
        $this->get('/sign-off/packs/99.zip')->assertStatus(422);
    }

    public function test_the_database_refuses_what_would_take_effect_in_a_locked_period(): void
    {
        $this->import(['matches.csv' => "date,debit_document,credit_document,amount\n2026-10-20,I1,R1,30.00\n", 'items.csv' => self::items([
            'R1,receipt,C1,2026-10-20,,EUR,30.00,30.00,,,E3,',
        ])]);
        $this->lock('2026-10');
        foreach (['items', 'postings', 'matches'] as $table) {
            $row = (array) DB::table($table)->first();
            unset($row['id']);
            try {
                DB::table($table)->insert([...$row, ...(isset($row['occurrence']) ? ['occurrence' => 9] : [])]);
                self::fail("{$table} took a row of a locked period");
            } catch (QueryException $refused) {
                self::assertStringContainsString('the day is locked', $refused->getMessage());
            }
        }
        DB::table('period_locks')->insert(['through' => '2026-09-30', 'user_id' => null, 'recorded_at' => '2026-11-05T10:00:00.000000Z']);
        $row = (array) DB::table('matches')->first();
        unset($row['id']);
        self::assertTrue(DB::table('matches')->insert($row), 'opened again, it takes rows');
    }

    public function test_signed_figures_as_known_then_and_now(): void
    {
        $this->actingAs($this->preparer)->get('/sign-off/2026-10')->assertStatus(422)->assertSee('is not signed by two');
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->reviewer);
        $this->get('/sign-off')->assertSee('As known then and now');
        $this->get('/sign-off/2026-10')->assertOk()->assertSee('Every signed figure is what it was')->assertDontSee('void');
        $this->post('/sign-off/reopen', ['key' => 'r', 'reason' => 'late invoice'])->assertSessionHas('done');
        app(Settings::class)->forget();
        $this->import([
            'items.csv' => self::items(['I2,invoice,C1,2026-10-30,2026-11-01,EUR,7.00,7.00,,,E2,']),
            'ledger.csv' => self::ledger(['E2,2026-10-30,1100,s,7.00,,I2,', 'E2,2026-10-30,4000,s,,7.00,I2,']),
        ]);
        $page = $this->get('/sign-off/2026-10')->assertOk()->assertSee('the signature is void');
        $page->assertSeeInOrder(['Balance of 1100', '100.00', '107.00', 'changed']);
        $link = preg_match('/href="([^"]*aged[^"]*known_at[^"]*)"/', (string) $page->getContent(), $found) === 1 ? $found[1] : '';
        $this->get(html_entity_decode($link))->assertOk()->assertSee('100.00')->assertDontSee('107.00');
    }

    public function test_a_deputy_signs_on_days_on_which_the_reviewer_is_away(): void
    {
        $deputy = User::query()->create([
            'name' => 'Deputy', 'email' => 'deputy@example.invalid', 'role' => 'preparer',
        ]);
        $today = gmdate('Y-m-d');
        $form = ['deputy' => $deputy->id, 'from' => $today, 'to' => $today, 'reason' => 'on leave'];
        $this->actingAs($this->preparer)->post('/me/deputies', ['key' => 'n', ...$form]);
        $this->says('A reviewer decides this');
        $this->actingAs($this->reviewer)->post('/me/deputies', ['key' => 'm', ...$form, 'deputy' => $this->reviewer->id]);
        $this->says('Choose another person');
        $this->post('/me/deputies', ['key' => 'l', ...$form, 'from' => '2026-01-01', 'to' => '2026-01-02']);
        $this->says('no time that is still to come');
        self::assertSame(0, DB::table('deputies')->count());
        foreach ([1, 2] as $click) {
            $this->post('/me/deputies', ['key' => 'k', ...$form])->assertSessionHas('done');
        }
        $this->get('/me')->assertSee('on leave');
        $this->sign('a', $this->preparer);
        $this->actingAs($this->reviewer)->get('/sign-off')->assertSee('Sign second')->assertDontSee('As deputy of');
        $this->actingAs($deputy)->get('/sign-off')->assertSee('As deputy of A reviewer');
        $this->sign('b', $deputy);
        self::assertSame('Deputy, deputy of A reviewer', DB::table('signatures')->where('role', 'reviewer')->value('who'));
        $this->actingAs($this->reviewer)->post('/me/deputies/1/end', ['key' => 'e'])->assertSessionHas('done');
        $this->actingAs($deputy->fresh() ?? $deputy)->post('/sign-off/reopen', ['key' => 'r', 'reason' => 'late news']);
        $this->says('A reviewer approves this');
        $this->assertBooksHold();
    }

    public function test_a_deputy_does_not_approve_what_the_same_person_prepared(): void
    {
        DB::table('deputies')->insert([
            'reviewer_id' => $this->reviewer->id, 'deputy_id' => $this->preparer->id, 'from_day' => '2026-01-01', 'to_day' => '2099-12-31',
            'reason' => 'x', 'recorded_at' => '2026-01-01',
        ]);
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->preparer);
        $this->says('Nobody approves an own request');
        self::assertSame(['preparer'], DB::table('signatures')->pluck('role')->all());
    }

    public function test_what_changes_in_between_voids_the_first_signature_and_is_named(): void
    {
        $this->sign('a', $this->preparer);
        $this->import([
            'items.csv' => self::items(['I2,invoice,C1,2026-10-30,2026-11-01,EUR,7.00,7.00,,,E2,']),
            'ledger.csv' => self::ledger(['E2,2026-10-30,1100,s,7.00,,I2,', 'E2,2026-10-30,4000,s,,7.00,I2,']),
        ]);
        $this->actingAs($this->reviewer)->get('/sign-off')->assertSee('is void')->assertSee('balance of 1100 was 100.00 and is 107.00');
        $this->actingAs($this->preparer)->post('/sign-off/sign', ['key' => 'old', 'seen' => 'other']);
        $this->says('The figures have changed since you looked');
        $this->sign('b', $this->preparer);
        $this->actingAs($this->reviewer)->post('/sign-off/send-back', ['key' => 's', 'words' => 'look at I2']);
        $this->get('/sign-off')->assertDontSee('In review');
        self::assertSame(1, DB::table('reopenings')->count());
    }

    public function test_a_main_figure_that_moved_much_needs_a_sentence(): void
    {
        $this->actingAs($this->preparer)->get('/sign-off')->assertDontSee('beside the period before');
        $this->import([
            'items.csv' => self::items([
                'P1,invoice,C1,2026-09-01,2026-10-01,EUR,200.00,200.00,,,P1,', 'Y1,invoice,C1,2025-10-01,2025-11-01,EUR,40.00,40.00,,,Y1,',
            ]),
            'ledger.csv' => self::ledger([
                'P1,2026-09-01,1100,s,200.00,,P1,', 'P1,2026-09-01,4000,s,,200.00,P1,',
                'Y1,2025-10-01,1100,s,40.00,,Y1,', 'Y1,2025-10-01,4000,s,,40.00,Y1,',
            ]),
        ]);
        // 340.00 now, 240.00 a month and 40.00 a year before.
        $page = $this->get('/sign-off')->assertSee('Balance of 1100 beside the period before');
        $page->assertSee('240.00 became 340.00 (41.7 %)')->assertSee('40.00');
        $this->sign('a', $this->preparer);
        $this->says('balance of 1100 beside the period before');
        $this->post('/sign-off/explain', ['key' => 'e', 'check' => 'change of balance of 1100', 'reason' => 'The fair fell into October']);
        $this->sign('b', $this->preparer);
        $this->get('/sign-off')->assertSee('In review');
        DB::table('settings')->insert(['name' => 'change_limit', 'value' => '50', 'recorded_at' => '2026-11-01T00:00:00.000000Z']);
        app(Settings::class)->forget();
        $this->get('/sign-off')->assertDontSee('beside the period before');
    }

    public function test_a_check_of_ones_own_is_asked_for_before_each_signature_until_it_ends(): void
    {
        $this->actingAs($this->preparer)->post('/sign-off/checks', ['key' => 'c', 'words' => ' ']);
        $this->says('Say what is to be checked');
        $add = ['key' => 'c', 'words' => 'The largest ten were looked at'];
        $this->post('/sign-off/checks', $add)->assertRedirect('/sign-off');
        $this->post('/sign-off/checks', $add);
        self::assertSame(1, DB::table('own_checks')->count());
        $this->get('/sign-off')->assertSee('The largest ten were looked at')->assertSee('say what was done and found');
        $this->sign('a', $this->preparer);
        $this->says('the largest ten were looked at');
        $done = ['key' => 'e', 'check' => 'own 1: The largest ten were looked at', 'reason' => 'Looked at all ten, nothing odd'];
        $this->post('/sign-off/explain', $done);
        $this->sign('b', $this->preparer);
        $this->sign('c', $this->reviewer);
        $this->get('/sign-off')->assertSee('The largest ten were looked at')->assertSee('say what was done and found');
        $this->post('/sign-off/checks/1/end', ['key' => 'x', 'reason' => 'The auditor does it']);
        $this->get('/sign-off')->assertDontSee('say what was done and found');
        $this->post('/sign-off/checks/1/end', ['key' => 'y', 'reason' => 'again']);
        $this->says('There is no such check any more');
        $this->assertBooksHold();
    }

    public function test_a_backup_is_asked_for_until_one_was_written_after_the_last_posting(): void
    {
        $this->actingAs($this->preparer)->get('/sign-off')->assertSee('none yet')->assertSee('Write a backup');
        $this->post('/sign-off/backup')->assertRedirect('/sign-off');
        $this->get('/sign-off')->assertDontSee('Write a backup');
        self::assertCount(1, glob("{$this->folder}/backups/*.zip") ?: []);
        $this->import(['items.csv' => self::items(['R1,receipt,C1,2026-10-20,,EUR,30.00,30.00,,,,'])]);
        $this->get('/sign-off')->assertSee('something was posted after the last one');
    }

    public function test_what_is_not_green_needs_a_reason(): void
    {
        $this->import(['items.csv' => self::items(['R1,receipt,C1,2026-10-20,,EUR,30.00,30.00,,,,'])]);
        $this->sign('a', $this->preparer);
        $this->says('Not everything is green or explained yet');
        preg_match_all('/name="check" value="([^"]+)"/', (string) $this->get('/sign-off')->getContent(), $checks);
        self::assertSame(['station proof', 'station unapplied', 'aged'], $checks[1]);
        $this->post('/sign-off/explain', ['key' => 'e', 'check' => 'aged', 'reason' => ' ']);
        $this->says('needs a reason');
        foreach ($checks[1] as $place => $check) {
            $this->post('/sign-off/explain', ['key' => "e{$place}", 'check' => $check, 'reason' => 'the bank is late']);
        }
        $this->sign('b', $this->preparer);
        $this->get('/sign-off')->assertSee('In review')->assertSee('the bank is late');
    }

    public function test_a_named_outside_person_signs_second_in_a_firm_of_one(): void
    {
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->preparer, 'letter of 3 November');
        $this->says('name no outside person');
        $this->import(['settings.csv' => "name,value\noutside_reviewer,Asesoría Cano\n"]);
        $this->sign('c', $this->preparer, 'letter of 3 November');
        self::assertSame('Asesoría Cano, by A preparer', DB::table('signatures')->where('role', 'reviewer')->value('who'));
        app(Settings::class)->forget();
        self::assertSame('2026-10-31', app(Settings::class)->locked()->through);
    }

    public function test_the_pack_is_checked_with_nothing_but_itself_and_every_altered_file_is_found(): void
    {
        $this->import([
            'items.csv' => self::items([
                'R1,receipt,C1,2026-10-20,,EUR,30.00,30.00,,,E3,',
                'G1,invoice,C3,2026-10-02,2026-10-09,GBP,10.00,11.54,,,E4,',
                // Both come to nil on the account of deposits: items, but no figure.
                'D1,deposit,C1,2026-10-03,,EUR,4.00,4.00,,,,2170',
                'A1,adjustment,C1,2026-10-03,,EUR,4.00,4.00,debit,,,2170',
            ]),
            'ledger.csv' => self::ledger(['E3,2026-10-20,1100,s,,30.00,R1,', 'E4,2026-10-02,1100,s,11.54,,G1,']),
            'matches.csv' => "date,debit_document,credit_document,amount\n2026-10-20,I1,R1,30.00\n2026-10-03,A1,D1,4.00\n",
        ]);
        foreach (['journals', 'station proof', 'station currency', 'station receipts'] as $place => $check) {
            $this->actingAs($this->preparer)->post('/sign-off/explain', ['key' => "e{$place}", 'check' => $check, 'reason' => 'known']);
        }
        $this->post('/sign-off/explain', ['key' => 'again', 'check' => 'journals', 'reason' => 'they come on Monday']);
        $this->get('/sign-off/2026-10/pack.zip')->assertStatus(422)->assertSee('is not signed by two yet');
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->reviewer);
        $cover = [];
        View::composer('sign-off.cover', static function (CoverView $view) use (&$cover): void {
            $cover = $view->getData();
        });
        $file = $this->cut('one');
        $signed = (string) DB::table('signatures')->value('figures');
        self::assertSame((array) json_decode($signed, true), $cover['figures'], 'what was signed');
        self::assertSame('they come on Monday', $cover['reasons']['journals']->reason, 'the last of each check');
        $pack = ClosePack::open($file);
        self::assertSame([], $pack->faults());
        self::assertSame(['81.54', '81.54', '11.54', '70.00'], [
            $pack->figures()['balance of 1100'], $pack->figures()['customers on 1100'], $pack->figures()['aged 1-30 of 1100'],
            $pack->figures()['aged not_due of 1100'],
        ]);
        self::assertSame(0, Artisan::call('ajuste:verify', ['pack' => $file]));
        $this->import(['items.csv' => self::items(['I9,invoice,C1,2026-11-05,2026-12-01,EUR,5.00,5.00,,,,'])]);
        $first = $this->files($file);
        foreach (['cover', 'papers/proof-1100', 'papers/aged-1100', 'papers/movement-1100', 'papers/unapplied', 'papers/runs'] as $paper) {
            self::assertStringStartsWith('%PDF-', $first["{$paper}.pdf"] ?? '', $paper);
        }
        self::assertStringContainsString('invoice', $first['data/items.csv']);
        foreach ($this->files($this->cut('two')) as $name => $content) {
            self::assertTrue($content === $first[$name], "{$name} is the same to the byte");
        }
        foreach (array_keys($first) as $name) {
            if ($first[$name] !== '') {
                $altered = $first;
                $at = min(40, strlen($altered[$name]) - 2);
                $altered[$name] = substr_replace($altered[$name], $altered[$name][$at] === '1' ? '2' : '1', $at, 1);
                self::assertNotSame([], ClosePack::open($this->zip($altered))->faults(), $name);
            }
        }
        $lines = $first;
        $lines['data/items.csv'] = str_replace(',10000,debit,', ',20000,debit,', $lines['data/items.csv']);
        $lines['manifest.json'] = (string) json_encode(
            Manifest::of(array_diff_key($lines, ['manifest.json' => 0]))->digests,
        );
        self::assertContains(
            'customers on 1100 was 81.54 and is 181.54',
            ClosePack::open($this->zip($lines))->faults(),
            'digests made to fit',
        );
        foreach (['policy.json', 'signatures.json', 'data/open.csv'] as $left) {
            $lines = array_diff_key($first, [$left => 0, 'manifest.json' => 0]);
            $lines['manifest.json'] = (string) json_encode(Manifest::of($lines)->digests);
            self::assertNotSame([], ClosePack::open($this->zip($lines))->faults(), "without {$left}");
        }
        $this->refused('is no close pack', static fn () => ClosePack::open(__FILE__));
    }

    private function cut(string $name): string
    {
        $file = "{$this->folder}/{$name}.zip";
        app(CutPack::class)->to($file, app(Settings::class)->calendar()->named('2026-10'));

        return $file;
    }

    /** @return array<string, string> */
    private function files(string $file): array
    {
        $zip = new ZipArchive;
        $zip->open($file);
        $files = [];
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $files[(string) $zip->getNameIndex($place)] = (string) $zip->getFromIndex($place);
        }

        return $files;
    }

    /** @param  array<string, string>  $files */
    private function zip(array $files): string
    {
        $zip = new ZipArchive;
        $zip->open($file = "{$this->folder}/".bin2hex(random_bytes(6)).'.zip', ZipArchive::CREATE);
        array_map(static fn (string $name, string $content): bool => $zip->addFromString($name, $content), array_keys($files), $files);
        $zip->close();

        return $file;
    }

    public function test_only_a_reviewer_opens_the_latest_period_again_with_a_reason(): void
    {
        $this->sign('a', $this->preparer);
        $this->sign('b', $this->reviewer);
        $this->actingAs($this->preparer)->post('/sign-off/reopen', ['key' => 'x', 'reason' => 'x']);
        $this->says('A reviewer approves this');
        $this->actingAs($this->reviewer)->post('/sign-off/reopen', ['key' => 'y', 'reason' => '']);
        $this->says('reason');
        $this->post('/sign-off/reopen', ['key' => 'z', 'reason' => 'an invoice was missed'])->assertRedirect('/sign-off');
        app(Settings::class)->forget();
        self::assertSame(['2026-09-30', '2026-10'], [app(Settings::class)->locked()->through, app(Settings::class)->period()->name]);
        $this->get('/sign-off')->assertDontSee('In review');
        $this->sign('c', $this->preparer);
        $this->sign('d', $this->reviewer);
        app(Settings::class)->forget();
        self::assertSame('2026-10-31', app(Settings::class)->locked()->through);
        $this->assertBooksHold();
    }
}
