<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Refusal;
use App\Actions\KeepNote;
use App\Http\FormKey;
use App\Support\KeptFiles;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Notes, with their files and links. */
final class NotesController
{
    public function post(Request $request, KeepNote $note): RedirectResponse
    {
        $subject = $request->string('subject')->toString();
        if (preg_match('/^(item|customer) \d+$|^cause \d+ [\w.-]+$/D', $subject) !== 1) {
            throw new Refusal('The form does not say what the note is about. Load the page again.');
        }
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
