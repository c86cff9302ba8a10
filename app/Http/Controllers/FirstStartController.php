<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\Setting;
use App\Actions\FirstStart;
use App\Http\Middleware\EndsSessions;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\View\View;

/** The first page of books that nobody can open yet. */
final class FirstStartController
{
    public function create(): View|RedirectResponse
    {
        return User::query()->exists() ? redirect('/sign-in') : view(
            'first-start',
            ['period' => date('Y-m', strtotime('first day of last month'))],
        );
    }

    public function store(Request $request, FirstStart $start): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        $user = $start->post(
            [
                Setting::BooksName->value => trim($text('books_name')),
                Setting::BaseCurrency->value => strtoupper(trim($text('base_currency'))),
                Setting::Period->value => trim($text('period')),
            ],
            $text('name'),
            $text('email'),
            $text('password'),
        );
        Auth::login($user);
        $request->session()->regenerate();
        $request->session()->put(EndsSessions::SINCE, time());

        return redirect('/');
    }
}
