<?php

declare(strict_types=1);

namespace App\Providers;

use App\Actions\Approvals\Approvable;
use App\Actions\Approvals\Approvables;
use App\Actions\IssueCreditNote;
use App\Actions\Proof\CorrectCause;
use App\Actions\Runs\PostRun;
use App\Actions\WriteOffDebts;
use App\Http\LayoutComposer;
use App\Http\Letterhead;
use App\Http\ViewPoint;
use App\Http\WrittenOffComposer;
use App\Queries\Settings;
use App\Support\Actor;
use App\Support\Anchor;
use App\Support\BooksConnection;
use App\Support\SealedLists;
use App\Support\Seals;
use App\Support\Sessions;
use App\Values\ApprovalKind;
use Closure;
use Illuminate\Database\Connection;
use Illuminate\Database\Events\ConnectionEvent;
use Illuminate\Database\Events\TransactionBeginning;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Database\Events\TransactionCommitting;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AjusteServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor(
            'sqlite',
            static fn (PDO|Closure $pdo, string $database, string $prefix, array $config): BooksConnection => new BooksConnection(
                $pdo,
                $database,
                $prefix,
                $config,
            ),
        );
        $this->app->singleton(Approvables::class, static fn (): Approvables => new Approvables(
            static fn (ApprovalKind $kind): Approvable => app(match ($kind) {
                ApprovalKind::Run => PostRun::class,
                ApprovalKind::Irrecoverable => WriteOffDebts::class,
                ApprovalKind::Correction => CorrectCause::class,
                ApprovalKind::CreditNote => IssueCreditNote::class,
            }),
        ));
        $this->app->resolving('session', static fn () => Sessions::file());
        $this->app->scoped(Settings::class);
        $this->app->scoped(Actor::class, static fn (): Actor => Actor::current());
        $this->app->scoped(ViewPoint::class, static fn (): ViewPoint => new ViewPoint(request(), app(Settings::class)));
    }

    public function boot(): void
    {
        // A copy of the books seals nothing: what is carried over from it is sealed in the books.
        $ofTheBooks = static fn (ConnectionEvent $event): bool => $event->connectionName === 'books';
        Event::listen(TransactionBeginning::class, static function (TransactionBeginning $event) use ($ofTheBooks): void {
            if ($ofTheBooks($event) && $event->connection->transactionLevel() === 1) {
                SealedLists::begin();
            }
        });
        Event::listen(TransactionCommitting::class, static function (TransactionCommitting $event) use ($ofTheBooks): void {
            if ($ofTheBooks($event)) {
                Seals::close();
            }
        });
        Event::listen(TransactionCommitted::class, static function (TransactionCommitted $event) use ($ofTheBooks): void {
            if ($ofTheBooks($event) && $event->connection->transactionLevel() === 0) {
                Anchor::drop();
            }
        });
        // From the root of the server, whichever books' pages they are.
        Vite::createAssetPathsUsing(static fn (string $path): string => "/{$path}");
        View::composer('components.layout', LayoutComposer::class);
        View::composer(['components.letterhead', 'components.paper-foot'], Letterhead::class);
        View::composer('receipts.written-off', WrittenOffComposer::class);
    }
}
