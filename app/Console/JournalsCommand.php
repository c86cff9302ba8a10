<?php

declare(strict_types=1);

namespace App\Console;

use Ajuste\Core\Calendar\Day;
use App\Actions\ExportJournals;
use Symfony\Component\Console\Output\OutputInterface;

final class JournalsCommand extends BooksCommand
{
    protected $signature = 'ajuste:journals {--since=} {--items : the new items instead} {--matches : the new matches instead}
        {--supplier-items : contras on the suppliers\' side instead} {--supplier-matches : what they take of bills instead}';

    protected $description = 'What Ajuste has posted, as CSV for the accounting system';

    public function handle(ExportJournals $export): int
    {
        $since = $this->text('since') === null ? null : Day::of((string) $this->text('since'));
        $csv = match (true) {
            (bool) $this->option('items') => $export->items($since),
            (bool) $this->option('matches') => $export->matches($since),
            (bool) $this->option('supplier-items') => $export->supplierItems($since),
            (bool) $this->option('supplier-matches') => $export->supplierMatches($since),
            default => $export->journals($since),
        };
        $this->output->write($csv, false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
