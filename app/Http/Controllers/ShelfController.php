<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\Setting;
use App\Actions\AddBooks;
use App\Actions\OpenBooks;
use App\Http\FormKey;
use App\Http\Middleware\EndsSessions;
use App\Models\User;
use App\Queries\ShelfStates;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\DemoBooks;
use App\Support\Moment;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Several books side by side: how each close stands, from one to another, and further ones. */
final class ShelfController
{
    public function index(ShelfStates $states): View
    {
        return view('shelf', [
            'all' => $states->of(User::signedIn()),
            'period' => date('Y-m', strtotime('first day of last month')),
            'isDemo' => DemoBooks::areHere(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function add(Request $request, AddBooks $add): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->trim()->toString();
        $slug = $add->post(FormKey::of($request, 'books'), User::signedIn(), [
            Setting::BooksName->value => $text('books_name'),
            Setting::BaseCurrency->value => strtoupper($text('base_currency')),
            Setting::Period->value => $text('period'),
        ]);

        return redirect()->route('shelf.open', $slug);
    }

    /** To other books, in which the person is signed in on arrival. */
    public function open(string $books, Request $request, OpenBooks $open): RedirectResponse
    {
        return redirect()->away($request->getSchemeAndHttpHost().$open->pass(User::signedIn(), $books));
    }

    public function enter(string $pass, Request $request, OpenBooks $open): RedirectResponse
    {
        $user = $open->enter($pass);
        EndsSessions::begin($request, $user);
        $user->update(['signed_in_at' => Moment::now()]);
        (new AuditTrail(Actor::current()))->record('sign in', "person {$user->id}", 'from other books');

        return redirect('/');
    }
}
