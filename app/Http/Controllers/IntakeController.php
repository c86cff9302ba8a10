<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Exchange\DateOrder;
use Ajuste\Core\Exchange\FileKind;
use Ajuste\Core\Exchange\Foreign\PlainWords;
use Ajuste\Core\Exchange\Mapping;
use Ajuste\Core\Exchange\TableComparison;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use App\Actions\CarryOut;
use App\Actions\Import\FileMapping;
use App\Actions\Import\HandIn;
use App\Actions\Import\ImportFiles;
use App\Actions\Import\NamedCustomers;
use App\Actions\Import\RefusedRows;
use App\Actions\Import\StatementImporter;
use App\Actions\Import\UnclearDates;
use App\Actions\Posting\Once;
use App\Files\SourceFile;
use App\Files\Table;
use App\Http\ListWindow;
use App\Http\Part;
use App\Http\Reading;
use App\Models\Import;
use App\Models\ImportFile;
use App\Queries\LateNewsList;
use App\Queries\RowsAside;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\KeptFiles;
use App\Values\WorkKind;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\View\View;
use stdClass;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class IntakeController
{
    private const LARGEST_COMPARED = 30 * 1024 * 1024;

    public function index(Request $request, LateNewsList $news, RowsAside $aside): string
    {
        $ids = $aside->ids();

        return Part::of(view('intake.index', [
            'late' => $news->count(),
            'imports' => Import::query()->orderByDesc('id')->limit(100)->get(),
            'files' => ImportFile::query()
                ->whereIn('import_id', Import::query()->orderByDesc('id')->limit(100)->pluck('id'))
                ->orderBy('id')
                ->get()
                ->groupBy('import_id'),
            'window' => ListWindow::fetched(
                $request,
                $ids,
                $aside->several(...),
                static fn (stdClass $of): string => "{$of->name} {$of->row} {$of->field} {$of->value} {$of->expected} {$of->line}",
                [
                    'file' => static fn (stdClass $of): string => sprintf('%s %09d', $of->name, $of->row),
                    'wrong' => static fn (stdClass $of): string => "{$of->field} {$of->value} {$of->expected}",
                    'line' => static fn (stdClass $of): string => $of->line,
                ],
            ),
            'none' => $ids === [] ? 'No row is set aside.' : 'No row has these words.',
        ]), $request);
    }

    public function handIn(Request $request): RedirectResponse
    {
        $uploads = array_values(
            array_filter((array) $request->file('files'), static fn (mixed $file): bool => $file instanceof UploadedFile),
        );

        return redirect()->route('hand-in', HandIn::of($uploads)->token);
    }

    public function preview(string $token, ImportFiles $import, Settings $settings, Actor $actor): View|RedirectResponse
    {
        $handIn = HandIn::find($token);
        $report = $handIn->report() ?? ($handIn->isLong() ? null : $import->rehearse($handIn->files()));
        if ($report === null) {
            $work = CarryOut::begin(WorkKind::Preview, "preview-{$handIn->reading()}", ['hand_in' => $token], $actor);

            return redirect()->route('work', $work);
        }

        return view('intake.preview', [
            'token' => $token,
            'report' => $report,
            'declared' => $handIn->compared($report, $settings->base()),
            'readings' => array_map(
                $this->reading(...),
                array_values(array_filter($handIn->files(), static fn (SourceFile $file): bool => ! StatementImporter::recognises($file))),
            ),
            'base' => $settings->base(),
        ]);
    }

    /** Two imports of the same file: what was added, changed, vanished. */
    public function compare(Request $request): View
    {
        $later =
            ImportFile::query()->where('id', $request->integer('file'))->first() ??
            throw new Refusal('There is no such file. Open the import again.');
        $earlier =
            ImportFile::query()
                ->where('kind', $later->kind)
                ->where('id', '<', $later->id)
                ->when($request->integer('with') !== 0, static fn ($query) => $query->where('id', $request->integer('with')))
                ->orderByDesc('id')
                ->first() ?? throw new Refusal("No earlier import brought a file of this kind ({$later->kind}).");
        [$headings, $after, $mapping] = $this->table($later);
        [, $before] = $this->table($earlier);
        $key = array_values(array_intersect_key($mapping->columns, array_flip($mapping->kind->key())));

        return view('intake.compare', [
            'earlier' => $earlier,
            'later' => $later,
            'headings' => $headings,
            'comparison' => new TableComparison($before, $after, $key),
        ]);
    }

    /** @return array{list<string>, list<list<string>>, Mapping} headings, rows, and how the file is read */
    private function table(ImportFile $file): array
    {
        if ($file->bytes > self::LARGEST_COMPARED) {
            throw new Refusal("“{$file->name}” is larger than 30 MB. Compare such files outside.");
        }
        $source = new SourceFile($file->name, KeptFiles::path($file->sha256));
        if (FileKind::tryFrom($file->kind) === null) {
            throw new Refusal('Bank statements are not compared; each brings its own lines.');
        }
        $mapping = FileMapping::of($source);
        $headings = $rows = [];
        foreach (Table::rows($source) as $number => $cells) {
            $number === $mapping->headerRow ? ($headings = $cells) : ($number > $mapping->headerRow ? ($rows[] = $cells) : null);
        }

        return [$headings, $rows, $mapping];
    }

    public function map(Request $request, string $token): RedirectResponse
    {
        $handIn = HandIn::find($token);
        $asked = (array) $request->input('columns', []);
        $columns = array_map(static fn (mixed $column): string => is_string($column) ? $column : '', $asked);
        $fixed = array_map(static fn (mixed $value): string => is_string($value) ? $value : '', (array) $request->input('fixed', []));
        $handIn->map(
            $request->string('file')->toString(),
            Mapping::fromArray([
                'kind' => $request->string('kind')->toString(),
                'header_row' => $request->integer('header_row', 1),
                'columns' => $columns,
                'dates' => $request->string('dates')->toString(),
                'decimal_mark' => $request->string('decimal_mark')->toString(),
                'fixed' => $fixed,
                'habit' => $request->string('habit')->toString(),
                'words' => self::meanings($request),
            ]),
        );

        return redirect()->route('hand-in', $token);
    }

    /** Makes the customers that the lists name, as a list of their own among the files. */
    public function nameCustomers(string $token, NamedCustomers $named): RedirectResponse
    {
        $handIn = HandIn::find($token);
        $handIn->bring(NamedCustomers::FILE, $named->in($handIn->files()));

        return redirect()->route('hand-in', $token);
    }

    /** @return array<string, string> kind of document by the word that a list has for it */
    private static function meanings(Request $request): array
    {
        [$words, $meanings] = [(array) $request->input('word', []), (array) $request->input('meaning', [])];
        $said = [];
        foreach ($words as $place => $word) {
            $meaning = $meanings[$place] ?? '';
            $said += is_string($word) && is_string($meaning) && $meaning !== '' ? [PlainWords::of($word) => $meaning] : [];
        }

        return $said;
    }

    public function declare(Request $request, string $token, Settings $settings): RedirectResponse
    {
        $total = TypedAmount::read($request->string('total')->toString(), $settings->base());
        HandIn::find($token)->declare($request->string('file')->toString(), $total);

        return redirect()->route('hand-in', $token);
    }

    public function commit(Request $request, string $token, ImportFiles $import, Actor $actor): RedirectResponse
    {
        $done = Once::result(HandIn::key($token));
        if ($done !== null) {
            return redirect()->route('import', (int) $done);
        }
        $handIn = HandIn::find($token);
        if ($handIn->isLong()) {
            $content = ['hand_in' => $token, 'set_aside' => $request->boolean('set_aside') ? 'yes' : 'no'];

            return redirect()->route('work', CarryOut::begin(WorkKind::Import, HandIn::key($token), $content, $actor));
        }
        $importId = $handIn->takeIn($import, $request->boolean('set_aside') ? RefusedRows::SetAside : RefusedRows::RefuseAll, $actor);

        return redirect()
            ->route('import', $importId)
            ->with('done', ['text' => "Taken in as import {$importId}."]);
    }

    public function discard(string $token): RedirectResponse
    {
        HandIn::find($token)->discard();

        return redirect()
            ->route('intake')
            ->with('done', ['text' => 'The files were discarded; the books are as they were.']);
    }

    public function show(Import $import, Settings $settings): View
    {
        return view('intake.import', [
            'import' => $import,
            'base' => $settings->base(),
            'files' => ImportFile::query()->where('import_id', $import->id)->orderBy('id')->get(),
            'aside' => DB::table('rows_set_aside as r')
                ->join('import_files as f', 'f.id', '=', 'r.import_file_id')
                ->leftJoin('rows_closed as c', 'c.row_id', '=', 'r.id')
                ->where('f.import_id', $import->id)
                ->orderBy('r.id')
                ->get(['r.*', 'f.name', 'c.reason', 'c.who as closed_by']),
        ]);
    }

    public function source(ImportFile $file): BinaryFileResponse
    {
        $path = KeptFiles::path($file->sha256);
        abort_unless(is_file($path), 404);

        return response()->download($path, (string) preg_replace('/[^\w. -]/u', '_', $file->name), [
            'Content-Type' => 'application/octet-stream',
        ]);
    }

    private function reading(SourceFile $file): Reading
    {
        $head = [];
        try {
            $head = Table::head($file, 30);
            $mapping = $file->mapping ?? FileMapping::of($file);
        } catch (UnclearDates $unclear) {
            return new Reading($file->name, $head, $unclear->guess, true);
        } catch (Refusal) {
            $mapping = new Mapping($file->kind ?? FileKind::Items, 1, [], DateOrder::YearMonthDay);

            return new Reading($file->name, $head, $mapping, true);
        }

        return new Reading($file->name, $head, $mapping, $mapping->missing() !== []);
    }
}
