<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Refusal;
use App\Actions\People;
use App\Models\User;

/** The password is read from standard input, so that it stands in no list of commands. */
final class PeopleCommand extends BooksCommand
{
    protected $signature =
        'ajuste:people {what : add, password, disable, enable, administers or list} {email?} {--name=} {--role=preparer} {--json}';

    protected $description = 'Who may open the books';

    public function handle(People $people): int
    {
        $email = is_string($this->argument('email')) ? $this->argument('email') : '';

        return match ($this->argument('what')) {
            'add' => $this->say('Added.', $people->add($this->text('name') ?? '', $email, $this->text('role') ?? '', $this->password())),
            'password' => $this->done('Set.', fn () => $people->setPassword($email, $this->password())),
            'disable' => $this->done('Disabled.', fn () => $people->disable($email)),
            'enable' => $this->done('May sign in again.', fn () => $people->enable($people->find($email)->id)),
            'administers' => $this->done('Looks after the people now.', fn () => $people->administers($email)),
            'list' => $this->all($people),
            default => self::INVALID,
        };
    }

    private function say(string $text, User $of): int
    {
        $this->line("{$text} {$of->name} is {$of->role->value} as {$of->email}.");

        return self::SUCCESS;
    }

    private function done(string $text, callable $do): int
    {
        $do();
        $this->line($text);

        return self::SUCCESS;
    }

    private function all(People $people): int
    {
        $with = $people->withSecondFactor();
        $rows = array_map(static fn (User $of): array => [
            'name' => $of->name, 'email' => $of->email, 'role' => $of->role->value, 'administers' => $of->administers ? 'yes' : '',
            'second_factor' => isset($with[$of->email]) ? 'yes' : '', 'disabled' => $of->disabled_at ?? '',
        ], $people->all());
        $headings = ['name', 'e-mail', 'role', 'administers', 'second factor', 'disabled'];
        $this->option('json') === true ? $this->json($rows) : $this->table($headings, $rows);

        return self::SUCCESS;
    }

    /** @throws Refusal when none comes */
    private function password(): string
    {
        if (stream_isatty(STDIN)) {
            $typed = $this->secret('Password');

            return is_string($typed) ? $typed : throw new Refusal('A password is expected.');
        }

        return rtrim((string) fgets(STDIN), "\r\n");
    }
}
