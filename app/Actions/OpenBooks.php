<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Refusal;
use App\Models\PeopleFile;
use App\Models\User;
use App\Support\Moment;
use App\Support\Shelf;
use Illuminate\Support\Carbon;
use stdClass;

/**
 * From books to others of the same shelf without typing the password again: a pass that opens once, within a minute, the books that it
 * names. The session there is one of its own.
 */
final readonly class OpenBooks
{
    private const HOLDS = 60;

    /**
     * @return string where the other books are entered
     *
     * @throws Refusal when there are no such books
     */
    public function pass(User $user, string $slug): string
    {
        foreach (Shelf::all() as $books) {
            if ($books->slug === $slug) {
                return Shelf::address($books).'enter/'.$this->make($user, $books);
            }
        }
        throw Refusal::notFound('There are no such books. Look at the list of books.');
    }

    private function make(User $user, stdClass $books): string
    {
        $token = bin2hex(random_bytes(24));
        PeopleFile::open()->table('passes')->where('holds_until', '<', Moment::now())->delete();
        PeopleFile::open()->table('passes')->insert([
            'digest' => hash('sha256', $token),
            'person_id' => $user->person()->id,
            'slug' => $books->slug,
            'holds_until' => Carbon::now('UTC')->addSeconds(self::HOLDS)->format('Y-m-d\TH:i:s.u\Z'),
        ]);

        return $token;
    }

    /**
     * @return User what the person is in the books at hand
     *
     * @throws Refusal when the pass does not hold, is for other books, or the person has no rights here
     */
    public function enter(string $token): User
    {
        $email = PeopleFile::transaction(static function () use ($token): ?string {
            $passes = PeopleFile::open()->table('passes')->where('digest', hash('sha256', $token));
            $pass = (clone $passes)->where('holds_until', '>=', Moment::now())->first();
            $passes->delete();
            $isHere = $pass !== null && in_array($pass->slug, array_column(Shelf::here(), 'slug'), true);

            return $isHere ? (string) PeopleFile::open()->table('people')->where('id', $pass->person_id)->value('email') : null;
        });
        $user = $email === null ? null : User::admitted($email);

        return $user ?? throw new Refusal(
            'This way in was used already, or you have no rights in these books. Sign in, or ask who looks after them.',
        );
    }
}
