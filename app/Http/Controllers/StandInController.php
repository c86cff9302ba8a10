<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\RefusedRows;
use App\Files\SourceFiles;
use App\Http\Download;
use App\Http\ViewPoint;
use App\StandIn\Bank;
use App\StandIn\Outbox;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Illuminate\View\View;
use Symfony\Component\HttpFoundation\Response;

/** The simulated outside: the bank that sends statements, the mail service that keeps messages. */
final class StandInController
{
    public function statement(Bank $bank, ImportFiles $import, ViewPoint $at): RedirectResponse
    {
        [$name, $content] = $bank->nextStatement($at->account, date('Y-m-d'));
        $folder = sys_get_temp_dir().'/ajuste-bank-'.bin2hex(random_bytes(6));
        File::ensureDirectoryExists("{$folder}/in");
        try {
            File::put("{$folder}/in/{$name}", $content);
            $report = $import->post(SourceFiles::at("{$folder}/in", $folder), RefusedRows::RefuseAll, 'the simulated bank');
        } finally {
            File::deleteDirectory($folder);
        }
        if ($report->importId === null) {
            throw new Refusal(
                'The statement is refused: '.implode(' ', array_map(static fn ($row): string => $row->expected, $report->refused)),
            );
        }
        $day = substr($name, 10, 10);

        return redirect()
            ->route('receipts', $day > $at->asOf ? ['as_of' => $day] : [])
            ->with('done', [
                'text' => "The statement of {$day} is in.",
                'url' => route('import', $report->importId),
                'link' => 'Open the import',
            ]);
    }

    public function outbox(): View
    {
        return view('outbox.index', ['messages' => DB::table('outbox')->orderByDesc('id')->simplePaginate(50)]);
    }

    public function message(int $message): Response
    {
        $file = DB::table('outbox')->where('id', $message)->value('file') ?? abort(404);
        $path = Outbox::folder().'/'.basename((string) $file);

        return is_file($path) ? Download::send((string) file_get_contents($path), "message-{$message}.eml", 'message/rfc822') : abort(404);
    }
}
