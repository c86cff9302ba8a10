<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Support\Facades\Auth;

/** Who does something, and by which request or command. */
final readonly class Actor
{
    public function __construct(public string $who, public string $source) {}

    public static function current(): self
    {
        $user = Auth::user();
        if ($user instanceof User) {
            return new self($user->name, request()->method().' '.request()->path());
        }

        return new self('command line', implode(' ', array_slice((array) ($_SERVER['argv'] ?? []), 1, 3)));
    }
}
