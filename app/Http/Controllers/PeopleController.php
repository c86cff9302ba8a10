<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\People;
use App\Actions\SignInLinks;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\View\View;

/** Who may open the books, and what they may do in them. */
final class PeopleController
{
    public function index(Request $request, People $people): View
    {
        return view('people.index', [
            'people' => $people->all(),
            'withSecondFactor' => $people->withSecondFactor(),
            'chosen' => User::query()->whereKey($request->integer('person'))->first(),
            'roles' => Role::cases(),
        ]);
    }

    public function invite(Request $request, People $people, SignInLinks $links): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        $user = $people->join($text('name'), $text('email'), $text('role'));

        return $user->person()->hasPassword()
            ? $this->back($user, "{$user->name} is in other books here, and opens these with the same password.")
            : $this->withLink($user, $links);
    }

    public function link(User $user, SignInLinks $links): RedirectResponse
    {
        return $this->withLink($user, $links);
    }

    public function role(Request $request, User $user, People $people): RedirectResponse
    {
        $people->changeRole(
            User::signedIn(),
            $user->id,
            $request->string('role')->toString(),
            $request->boolean('administers'),
            $request->string('reason')->toString(),
        );

        return $this->back($user, "{$user->name} has the role now, and signs in anew.");
    }

    public function disable(User $user, People $people): RedirectResponse
    {
        $people->refuseOneself(User::signedIn(), $user);
        $people->disable($user->email);

        return $this->back($user, "{$user->name} opens these books no more.");
    }

    public function enable(User $user, People $people): RedirectResponse
    {
        $people->enable($user->id);

        return $this->back($user, "{$user->name} may sign in again.");
    }

    private function withLink(User $user, SignInLinks $links): RedirectResponse
    {
        $link = route('welcome', $links->make($user, SignInLinks::INVITATION));

        return $this->back($user, "Give {$user->name} the link below.")->with('link', $link);
    }

    private function back(User $user, string $said): RedirectResponse
    {
        return redirect()->route('people', ['person' => $user->id])->with('done', ['text' => $said]);
    }
}
