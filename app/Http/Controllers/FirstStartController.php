<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use App\Actions\FirstStart;
use App\Actions\People;
use App\Http\Middleware\EndsSessions;
use App\Models\User;
use App\Support\FirstCode;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** The first page of books that nobody can open yet. */
final class FirstStartController
{
    public function create(Request $request): View|RedirectResponse
    {
        return User::query()->exists() ? redirect('/sign-in') : view('first-start', [
            'period' => date('Y-m', strtotime('first day of last month')),
            'asksCode' => FirstCode::isAsked($request),
        ]);
    }

    public function store(Request $request, FirstStart $start, People $people): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        if (FirstCode::isAsked($request) && ! FirstCode::fits($text('code'))) {
            throw new Refusal('The code is another. It stands where these books are served.', RefusalKind::Rights);
        }
        $user = $start->post(
            [
                Setting::BooksName->value => trim($text('books_name')),
                Setting::BaseCurrency->value => strtoupper(trim($text('base_currency'))),
                Setting::Period->value => trim($text('period')),
            ],
            static fn (): User => $people->add($text('name'), $text('email'), 'preparer', $text('password')),
        );
        FirstCode::forget();
        EndsSessions::begin($request, $user);

        return redirect('/');
    }
}
