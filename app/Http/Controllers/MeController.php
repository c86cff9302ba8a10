<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use App\Actions\NameDeputy;
use App\Actions\People;
use App\Actions\SecondFactor;
use App\Http\FormKey;
use App\Http\Middleware\EndsSessions;
use App\Models\Deputies;
use App\Models\User;
use App\Support\OneTimeCode;
use App\Support\Sessions;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Hash;
use Illuminate\View\View;

/** One's own sign-in: password, second factor, and where one is signed in. */
final class MeController
{
    private const SECRET = 'second factor that is being set up';

    public function index(Request $request, Deputies $deputies): View
    {
        $user = User::signedIn();
        $secret = $request->session()->get(self::SECRET);
        if (! is_string($secret)) {
            $request->session()->put(self::SECRET, $secret = OneTimeCode::newSecret());
        }

        return view('people.me', [
            'person' => $user,
            'secret' => implode(' ', str_split($secret, 4)),
            'address' => OneTimeCode::address($secret, $user->email),
            'sessions' => Sessions::of($user->id),
            'here' => $request->session()->getId(),
            'deputies' => $deputies->of($user->id),
            'others' => User::query()
                ->whereNull('disabled_at')
                ->whereNot('id', $user->id)
                ->whereNot('role', 'reader')
                ->orderBy('name')
                ->get(),
            'key' => bin2hex(random_bytes(16)),
        ]);
    }

    public function deputy(Request $request, NameDeputy $name): RedirectResponse
    {
        $text = static fn (string $field): string => $request->string($field)->toString();
        $name->post(
            FormKey::of($request, 'deputy'),
            User::signedIn(),
            $request->integer('deputy'),
            Day::of($text('from')),
            Day::of($text('to')),
            $text('reason'),
        );

        return redirect()->route('me')->with('done', ['text' => 'Named. The deputy approves and signs in your place on those days.']);
    }

    public function endDeputy(Request $request, int $deputy, NameDeputy $name): RedirectResponse
    {
        $name->end(FormKey::of($request, 'end-deputy'), User::signedIn(), $deputy);

        return redirect()->route('me')->with('done', ['text' => 'Taken back.']);
    }

    public function password(Request $request, People $people): RedirectResponse
    {
        $people->changeOwnPassword(
            User::signedIn(),
            $request->string('present')->toString(),
            $request->string('password')->toString(),
            $request->session()->getId(),
        );
        EndsSessions::keep($request, User::signedIn());

        return redirect()->route('me')->with('done', ['text' => 'The password is changed; you are signed out everywhere else.']);
    }

    public function takeUp(Request $request, SecondFactor $factor): RedirectResponse
    {
        $secret = $request->session()->get(self::SECRET);
        if (! is_string($secret)) {
            throw new Refusal('The key is from an earlier page. Load the page again, and enter the key that it shows.');
        }
        $codes = $factor->takeUp(User::signedIn(), $secret, $request->string('code')->toString());
        $request->session()->forget(self::SECRET);

        return redirect()
            ->route('me')
            ->with('codes', $codes)
            ->with('done', ['text' => 'From now on a code is asked for beside the password.']);
    }

    public function giveUp(Request $request, SecondFactor $factor): RedirectResponse
    {
        if (! Hash::check($request->string('present')->toString(), User::signedIn()->getAuthPassword())) {
            throw new Refusal('The present password is another one. Nothing was changed.');
        }
        $factor->giveUp(User::signedIn());

        return redirect()->route('me')->with('done', ['text' => 'The password alone opens the books again.']);
    }

    public function end(string $session): RedirectResponse
    {
        Sessions::end(User::signedIn()->id, $session);

        return redirect()->route('me')->with('done', ['text' => 'You are signed out there.']);
    }

    /** That somebody is still there. */
    public function stay(): Response
    {
        return response()->noContent();
    }
}
