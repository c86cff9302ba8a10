<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use App\Http\ViewPoint;
use App\Queries\Settings;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A typed date after the period that is being closed is asked about once (R13). Sending the form again says that it is meant; the same
 * request sent twice, as by a double click, does not.
 */
final readonly class AskLateDate
{
    private const ASKED = 'asked.date';

    public function __construct(private Settings $settings) {}

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $date = $request->string('date')->toString();
        $rehearses = str_ends_with((string) $request->route()?->getName(), '.rehearse');
        if ($request->isMethod('post') && ! $rehearses && Day::isDay($date)) {
            $this->ask($request, $date);
        }

        return $next($request);
    }

    /** @throws Refusal when it is to be asked */
    private function ask(Request $request, string $date): void
    {
        $lookedAt = (new ViewPoint($request, $this->settings))->asOf;
        if (! $this->settings->locked()->asksFor($date, $lookedAt)) {
            return;
        }
        $key = $request->string('key')->toString();
        $asked = $request->session()->get(self::ASKED);
        if (is_array($asked) && [$asked['path'], $asked['date']] === [$request->path(), $date] && $asked['key'] !== $key) {
            return;
        }
        $request->session()->put(self::ASKED, ['path' => $request->path(), 'date' => $date, 'key' => $key]);
        throw new Refusal(
            "{$date} is after {$this->settings->period()->last}, the last day of the period that is being closed, and after the day that "
                .'you look at. Nothing is posted. Correct the date, or send the form again if it is meant.',
        );
    }
}
