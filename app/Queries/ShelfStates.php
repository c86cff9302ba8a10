<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Refusal;
use App\Models\User;
use App\Support\Books;
use App\Support\Shelf;
use Illuminate\Database\QueryException;
use stdClass;

/** How the close stands in each of the books that a person may open. */
final readonly class ShelfStates
{
    /** @return list<ShelvedBooks> by name; only those in which the person has a role */
    public function of(User $user): array
    {
        $here = Books::file();
        $states = [];
        foreach (Shelf::all() as $books) {
            $state = $books->file === $here
                ? self::state($books, $user, true)
                : Books::with($books->file, static fn (): ?ShelvedBooks => self::elsewhere($books, $user));
            $states = $state === null ? $states : [...$states, $state];
        }
        usort($states, static fn (ShelvedBooks $a, ShelvedBooks $b): int => [$a->name, $a->slug] <=> [$b->name, $b->slug]);

        return $states;
    }

    /** Null where the person has no role. Of books that cannot be read is told who looks after people, so that nobody misses them. */
    private static function elsewhere(stdClass $books, User $user): ?ShelvedBooks
    {
        try {
            app(Books::class)->refuseOther();
            $there = User::admitted($user->email);

            return $there === null ? null : self::state($books, $there, false);
        } catch (Refusal $refusal) {
            $problem = $refusal->getMessage();
        } catch (QueryException) {
            $problem = 'These books do not read. Run “verify” on them.';
        }

        return $user->administers ? new ShelvedBooks($books->slug, $books->slug, false, null, $problem) : null;
    }

    private static function state(stdClass $books, User $user, bool $isHere): ShelvedBooks
    {
        $settings = app(Settings::class);
        $period = $settings->period();

        return new ShelvedBooks(
            $books->slug,
            $settings->booksName() === '' ? $books->slug : $settings->booksName(),
            $isHere,
            new CloseState(
                $period,
                $settings->locked()->includes($period->last),
                $settings->hasControlAccount() ? app(ControlFigures::class)->at($settings->controlAccount(), $period->last) : null,
                count(app(ApprovalRequests::class)->waiting()),
                $user->role->value,
            ),
        );
    }
}
