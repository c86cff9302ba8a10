<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Queries\CreditWatches;
use App\Queries\Movements;
use Illuminate\Support\Facades\DB;

/** What a later file says of a customer's group or limit holds from the period on; the months before are seen with what held then. */
final class CustomerVersionsTest extends BooksTestCase
{
    private const HEAD = "customer,name,currency,group,related,credit_limit\n";

    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics([
            'customers.csv' => self::HEAD."C1,Uno,EUR,shops,no,100.00\nC2,Dos,EUR,mills,no,\nC3,Tres,GBP,,no,\n",
            'settings.csv' => "name,value\nperiod,2026-10\n",
            'allowance_rates.csv' => "group,bucket,rate\n,not_due,1\nshops,not_due,3\nmills,not_due,5\n",
            'items.csv' => self::items([
                'I1,invoice,C1,2026-09-05,2026-12-01,EUR,200.00,200.00,,,,', 'I2,invoice,C2,2026-09-05,2026-12-01,EUR,100.00,100.00,,,,',
                'I3,invoice,C1,2026-10-05,2026-12-01,EUR,50.00,50.00,,,,',
            ]),
        ]);
        $this->actingAs($this->person());
    }

    private function mills(string $limit = '300.00'): void
    {
        $this->import(['customers.csv' => self::HEAD."C1,Uno,EUR,mills,no,{$limit}\nC2,Dos,EUR,mills,no,\nC3,Tres,GBP,,no,\n"]);
    }

    /** @return array<string, string> what is in the matrix as of a day, by group */
    private function matrix(string $day): array
    {
        $filled = array_filter(
            (array) $this->report('allowance', ['--as-of' => $day])['matrix'],
            static fn (array $of): bool => $of['base'] !== '0.00',
        );

        return array_column($filled, 'base', 'group');
    }

    public function test_groups_hold_from_the_period_being_closed_on(): void
    {
        $this->lock('2026-09');
        self::assertSame(['mills' => '100.00', 'shops' => '250.00'], $this->matrix('2026-10-31'));
        $this->mills();
        self::assertSame(['mills' => '350.00'], $this->matrix('2026-10-31'));
        self::assertSame(['mills' => '100.00', 'shops' => '200.00'], $this->matrix('2026-09-30'));
        $this->get('/aged?by=group&as_of=2026-09-30')->assertOk()->assertSee('shops');
        $this->get('/aged?by=group&as_of=2026-10-31')->assertOk()->assertDontSee('shops');
        self::assertSame(['', '2026-10-01'], DB::table('customer_versions')->orderBy('id')->pluck('from_day')->all());
        $shown = ['Group and limit, by day', '1 Oct 2026', 'mills', 'the beginning', 'shops'];
        $this->get('/lists/customers?row=C1')->assertOk()->assertSeeInOrder($shown);
        $this->mills();
        self::assertSame(2, DB::table('customer_versions')->count(), 'the same file twice changes nothing');
        $this->assertBooksHold();
    }

    public function test_the_movement_by_group_foots_though_a_customer_has_changed_its_group(): void
    {
        $this->mills();
        $groups = app(Movements::class)->byGroup($this->control(), '2026-10-01', '2026-10-31');
        self::assertSame(['mills'], array_column($groups, 'group'));
        self::assertSame(['300.00', '350.00'], [$groups[0]->opening->decimal(), $groups[0]->closing->decimal()]);
    }

    public function test_a_limit_holds_from_the_period_on_too(): void
    {
        $this->mills('150.00');
        $of = $this->customerId('C1');
        $watch = fn (string $day) => app(CreditWatches::class)->of($this->control(), $day, [$of])[$of];
        $limit = static fn (string $day): string => (string) $watch($day)->owed?->limit->decimal();
        self::assertSame(['100.00', '150.00'], [$limit('2026-09-30'), $limit('2026-10-31')]);
    }
}
