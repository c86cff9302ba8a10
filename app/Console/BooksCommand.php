<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Refusal;
use App\Queries\Settings;
use App\Support\Books;
use Closure;
use Illuminate\Console\Command;
use PDOException;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** A command on the books. A refusal goes to standard error with exit 1. */
abstract class BooksCommand extends Command
{
    /** Wrong usage ends with 2, as the command line promises. */
    public function run(InputInterface $input, OutputInterface $output): int
    {
        try {
            return parent::run($input, $output);
        } catch (ExceptionInterface $usage) {
            fwrite(STDERR, $usage->getMessage()."\n");

            return self::INVALID;
        }
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        return $this->guarded(function () use ($input, $output): int {
            $backup = app(Books::class)->open();
            if ($backup !== null) {
                fwrite(STDERR, "The books were of an earlier version and are up to date now. As they were, they are kept at {$backup}.\n");
            }

            return parent::execute($input, $output);
        });
    }

    /** @param  Closure(): int  $do */
    protected function guarded(Closure $do): int
    {
        try {
            return $do();
        } catch (Refusal $refusal) {
            return $this->refuse($refusal->getMessage());
        } catch (PDOException $problem) {
            return $this->refuse("The books could not be read or written: {$problem->getMessage()}");
        }
    }

    protected function asOf(Settings $settings): string
    {
        $asked = $this->text('as-of');

        return $asked !== null ? Day::of($asked) : $settings->period()->last;
    }

    protected function text(string $option): ?string
    {
        $value = $this->option($option);

        return is_string($value) && $value !== '' ? $value : null;
    }

    /** @param  array<mixed>  $data */
    protected function json(array $data): void
    {
        $this->output->writeln(
            (string) json_encode(
                $data,
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT | JSON_INVALID_UTF8_SUBSTITUTE,
            ),
            OutputInterface::OUTPUT_RAW,
        );
    }

    protected function refuse(string $message): int
    {
        fwrite(STDERR, $message."\n");

        return self::FAILURE;
    }
}
