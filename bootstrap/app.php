<?php

declare(strict_types=1);

use Ajuste\Core\Refusal;
use App\Http\Middleware\AdministersOnly;
use App\Http\Middleware\AskLateDate;
use App\Http\Middleware\BooksAreCurrent;
use App\Http\Middleware\DownloadsInTrail;
use App\Http\Middleware\EndsSessions;
use App\Http\Middleware\PlainInput;
use App\Http\Middleware\ReadsSessionOnly;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\WholePages;
use App\Http\Middleware\WriterOnly;
use App\Http\SignedOut;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\Request;
use Symfony\Component\HttpKernel\Exception\HttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->web(
            append: [SecurityHeaders::class, PlainInput::class, EndsSessions::class, DownloadsInTrail::class],
            prepend: [WholePages::class, BooksAreCurrent::class],
        );
        $middleware->alias([
            'administers' => AdministersOnly::class,
            'writer' => WriterOnly::class,
            'asks-late-date' => AskLateDate::class,
            'reads-session-only' => ReadsSessionOnly::class,
        ]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
        $middleware->trimStrings(except: ['password', 'present']);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport(Refusal::class);
        $exceptions->dontFlash(['password', 'present', 'code']);
        $exceptions->render(function (Refusal $refusal, Request $request) {
            return $request->isMethod('GET')
                ? response()->view('refusal', ['message' => $refusal->getMessage()], 422)
                : back()->withInput()->with('refusal', $refusal->getMessage());
        });
        $exceptions->render(fn (AuthenticationException $out, Request $request) => SignedOut::answer($request));
        $exceptions->render(
            fn (HttpException $problem, Request $request) => $problem->getStatusCode() === 419 ? SignedOut::answer($request) : null,
        );
        $exceptions->render(function (PDOException $problem, Request $request) {
            $busy = 'The books are being written to by a long import or run. Nothing was posted by this request; try again in a minute.';
            if (! str_contains($problem->getMessage(), 'database is locked')) {
                return null;
            }

            return $request->isMethod('GET')
                ? response()->view('refusal', ['message' => $busy], 503)
                : back()->withInput()->with('refusal', $busy);
        });
        $exceptions->render(function (PostTooLargeException $tooLarge, Request $request) {
            $message = 'The files are larger than 64 MB together. Hand them in one by one, or read them with “./ajuste import”.';

            return response()->view('refusal', ['message' => $message], 413);
        });
    })
    ->create();
