<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\User;
use Illuminate\Routing\Route;
use Illuminate\Testing\TestResponse;

/** Who may open what: every route has a line in the table, so that a new one is thought about. */
final class RoutesByRoleTest extends BooksTestCase
{
    private const WITH = [
        'format' => 'csv', 'part' => 'order', 'period' => '2026-10', 'way' => 'voucher', 'kind' => 'residues', 'account' => '1100',
        'what' => 'journals', 'list' => 'promises',
    ];

    /** @return array<string, string> who, by method and address */
    private static function table(): array
    {
        $table = [];
        foreach (file(dirname(__DIR__).'/fixtures/routes-by-role.txt', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$who, $route] = explode(' ', $line, 2);
            $table[$route] = $who;
        }

        return $table;
    }

    public function test_every_route_has_its_line(): void
    {
        $routes = [];
        foreach (app('router')->getRoutes()->getRoutes() as $route) {
            $routes[] = self::method($route).' '.$route->uri();
        }
        $lines = array_keys(self::table());
        sort($routes);
        sort($lines);
        self::assertSame($lines, $routes);
    }

    public function test_guests_come_in_nowhere_but_at_the_door(): void
    {
        $this->importBasics([]);
        $this->person();
        foreach (self::table() as $route => $who) {
            $answer = $this->visit($route);
            $who === 'guest'
                ? self::assertNotSame(404, $answer->getStatusCode(), $route)
                : self::assertSame('/sign-in', parse_url((string) $answer->headers->get('location'), PHP_URL_PATH), $route);
        }
    }

    public function test_each_role_does_what_it_says_and_no_more(): void
    {
        $this->importBasics([]);
        $people = array_map($this->person(...), ['reader', 'preparer', 'reviewer']);
        foreach ($people as $person) {
            foreach (self::table() as $route => $who) {
                if ($route === 'POST sign-out' || $who === 'guest') {
                    continue;
                }
                $mayNot = $who === 'administrator' || ($who === 'writer' && $person->role->value === 'reader');
                $status = $this->actingAs($person)->visit($route)->getStatusCode();
                self::assertSame($mayNot, $status === 403, "{$person->role->value} at {$route}: {$status}");
                self::assertNotSame(500, $status, "{$person->role->value} at {$route}");
            }
        }
    }

    public function test_who_looks_after_the_people_need_not_post(): void
    {
        $reader = $this->person('reader');
        $reader->update(['administers' => true]);
        $this->actingAs($reader)->post('/people', ['name' => 'Bo', 'email' => 'bo@example.org', 'role' => 'reader'])->assertRedirect();
        self::assertSame(2, User::query()->count());
        $this->post('/notes', [])->assertForbidden();
    }

    private function visit(string $route): TestResponse
    {
        [$method, $uri] = explode(' ', $route, 2);
        $address = preg_replace_callback('/\{(\w+)\}/', static fn (array $of): string => self::WITH[$of[1]] ?? '1', $uri);

        return $this->call($method, "/{$address}");
    }

    private static function method(Route $route): string
    {
        return in_array('GET', $route->methods(), true) ? 'GET' : $route->methods()[0];
    }
}
