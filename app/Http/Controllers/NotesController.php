<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use App\Actions\KeepNote;
use App\Actions\KeepQuestion;
use App\Http\FormKey;
use App\Http\NoteSubject;
use App\Support\KeptFiles;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Notes with their files and links, and questions. */
final class NotesController
{
    public function post(Request $request, KeepNote $note): RedirectResponse
    {
        $subject = NoteSubject::of($request->string('subject')->toString());
        $file = $request->file('file');
        $note->post(
            FormKey::of($request, 'note'),
            $subject,
            $request->string('text')->toString(),
            $request->string('link')->toString(),
            $file instanceof UploadedFile ? $file : null,
        );

        return back()->with('done', ['text' => 'Noted.']);
    }

    public function ask(Request $request, KeepQuestion $questions): RedirectResponse
    {
        $text = static fn (string $name): string => $request->string($name)->toString();
        $subject = NoteSubject::of($text('subject'));
        $questions->ask(FormKey::of($request, 'question'), $subject, $text('text'), $text('to'), Day::of($text('by')));

        return back()->with('done', ['text' => 'Asked. It stands on the desk until it is answered.']);
    }

    public function answer(Request $request, int $question, KeepQuestion $questions): RedirectResponse
    {
        $questions->answer(FormKey::of($request, 'answer'), $question, $request->string('answer')->toString());

        return back()->with('done', ['text' => 'Answered.']);
    }

    public function strike(Request $request, int $note, KeepNote $keep): RedirectResponse
    {
        $keep->strike(FormKey::of($request, 'strike'), $note);

        return back()->with('done', ['text' => 'Struck out. The trail keeps it.']);
    }

    /** The file as it was attached, always to be saved and never shown as a page of ours. */
    public function file(int $note): BinaryFileResponse
    {
        $row = DB::table('notes')->where('id', $note)->first();
        abort_if($row === null || $row->file_sha256 === '' || ! is_file(KeptFiles::path($row->file_sha256)), 404);

        return response()->download(KeptFiles::path($row->file_sha256), (string) preg_replace('/[^\w. -]/u', '_', $row->file_name), [
            'Content-Type' => 'application/octet-stream',
        ]);
    }
}
