<?php

declare(strict_types=1);

use App\Http\Controllers\AgedController;
use App\Http\Controllers\BooksController;
use App\Http\Controllers\CreditBalancesController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\IntakeController;
use App\Http\Controllers\JournalsController;
use App\Http\Controllers\ProofController;
use App\Http\Controllers\ReceiptsController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\TableController;
use App\Http\Controllers\UnappliedController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store']);
});

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', DeskController::class)->name('desk');

    Route::get('/intake', [IntakeController::class, 'index'])->name('intake');
    Route::get('/intake/imports/{import}', [IntakeController::class, 'show'])->name('import')->whereNumber('import');
    Route::get('/intake/files/{file}', [IntakeController::class, 'source'])->name('source-file')->whereNumber('file');
    Route::get('/intake/hand-in/{token}', [IntakeController::class, 'preview'])->name('hand-in');

    Route::get('/receipts', [ReceiptsController::class, 'index'])->name('receipts')->middleware('reads-session-only');
    Route::get('/proof', [ProofController::class, 'index'])->name('proof')->middleware('reads-session-only');
    Route::get('/proof.{format}', [ProofController::class, 'export'])->name('proof.export')->whereIn('format', ['csv', 'xlsx']);
    Route::get('/unapplied', [UnappliedController::class, 'index'])->name('unapplied')->middleware('reads-session-only');
    Route::get('/credit-balances', [CreditBalancesController::class, 'index'])->name('credit-balances');
    Route::get('/aged', [AgedController::class, 'index'])->name('aged');
    Route::get('/aged.{format}', [AgedController::class, 'export'])->name('aged.export')->whereIn('format', ['csv', 'xlsx']);
    Route::get('/aged/{customer}', [AgedController::class, 'items'])->name('aged.items')->whereNumber('customer');

    Route::get('/journals', [JournalsController::class, 'index'])->name('journals');
    Route::get('/vouchers/{voucher}', [JournalsController::class, 'voucher'])->name('voucher')->whereNumber('voucher');
    Route::get('/matches/{settlement}', [JournalsController::class, 'match'])->name('match')->whereNumber('settlement');
    Route::get('/trail', [JournalsController::class, 'trail'])->name('trail');

    Route::get('/documents/{item}', [BooksController::class, 'document'])->name('document')->whereNumber('item');
    Route::get('/postings/{posting}', [BooksController::class, 'posting'])->name('posting')->whereNumber('posting');
    Route::get('/customers/{customer}', [BooksController::class, 'customer'])->name('customer')->whereNumber('customer');
    Route::get('/accounts/{account}', [BooksController::class, 'account'])->name('account');
    Route::get('/search', [BooksController::class, 'search'])->name('search');

    // Posts nothing: it only turns what the page shows into a file.
    Route::post('/table.{format}', TableController::class)->name('table')->whereIn('format', ['csv', 'xlsx']);

    Route::middleware('writer')->group(function (): void {
        Route::post('/intake', [IntakeController::class, 'handIn'])->name('intake.hand-in');
        Route::post('/intake/hand-in/{token}/mapping', [IntakeController::class, 'map'])->name('hand-in.map');
        Route::post('/intake/hand-in/{token}/commit', [IntakeController::class, 'commit'])->name('hand-in.commit');
        Route::post('/intake/hand-in/{token}/discard', [IntakeController::class, 'discard'])->name('hand-in.discard');
        Route::post('/intake/rows/{row}/close', [IntakeController::class, 'closeRow'])->name('row.close')->whereNumber('row');
        Route::post('/receipts/{line}/rehearse', [ReceiptsController::class, 'rehearse'])->name('receipts.rehearse')->middleware('reads-session-only')->whereNumber('line');
        Route::post('/proof/correct', [ProofController::class, 'correct'])->name('proof.correct');
        Route::post('/proof/carry', [ProofController::class, 'carry'])->name('proof.carry');
        Route::post('/proof/carried/{carried}/withdraw', [ProofController::class, 'withdraw'])->name('proof.withdraw')->whereNumber('carried');
        Route::post('/vouchers/{voucher}/reverse', [JournalsController::class, 'reverse'])->name('voucher.reverse')->whereNumber('voucher');
        Route::post('/receipts/accept', [ReceiptsController::class, 'accept'])->name('receipts.accept');
        Route::post('/receipts/{line}', [ReceiptsController::class, 'post'])->name('receipts.post')->whereNumber('line');
        Route::post('/receipts/{line}/aside', [ReceiptsController::class, 'setAside'])->name('receipts.aside')->whereNumber('line');
        Route::post('/unapplied/{customer}/rehearse', [UnappliedController::class, 'rehearse'])->name('unapplied.rehearse')->middleware('reads-session-only')->whereNumber('customer');
        Route::post('/unapplied/{customer}', [UnappliedController::class, 'post'])->name('unapplied.post')->whereNumber('customer');
        Route::post('/matches/{settlement}/reverse', [UnappliedController::class, 'reverse'])->name('match.reverse')->whereNumber('settlement');
        Route::post('/credit-balances', [CreditBalancesController::class, 'post'])->name('credit-balances.post');
        Route::post('/credit-balances/{run}/reverse', [CreditBalancesController::class, 'reverse'])->name('credit-balances.reverse')->whereNumber('run');
        // An export is noted, so that a voucher that does not come back can be named.
        Route::post('/journals/{what}.csv', [JournalsController::class, 'export'])->name('journals.export')->whereIn('what', ['journals', 'items', 'matches']);
    });
});
