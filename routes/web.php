<?php

declare(strict_types=1);

use App\Http\Controllers\AgedController;
use App\Http\Controllers\AllowanceController;
use App\Http\Controllers\ApprovalsController;
use App\Http\Controllers\BankController;
use App\Http\Controllers\BatchesController;
use App\Http\Controllers\BooksController;
use App\Http\Controllers\ConfirmationsController;
use App\Http\Controllers\CorrectionsController;
use App\Http\Controllers\CreditController;
use App\Http\Controllers\CreditNotesController;
use App\Http\Controllers\DepositsController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\DirectDebitsController;
use App\Http\Controllers\FindController;
use App\Http\Controllers\FirstStartController;
use App\Http\Controllers\IntakeController;
use App\Http\Controllers\JournalsController;
use App\Http\Controllers\LateNewsController;
use App\Http\Controllers\LedgerController;
use App\Http\Controllers\ListsController;
use App\Http\Controllers\LostDebtsController;
use App\Http\Controllers\MeController;
use App\Http\Controllers\MovementController;
use App\Http\Controllers\NotesController;
use App\Http\Controllers\PartiesController;
use App\Http\Controllers\PasswordLinkController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PoliciesController;
use App\Http\Controllers\ProofController;
use App\Http\Controllers\RatesController;
use App\Http\Controllers\ReceiptsController;
use App\Http\Controllers\RefundsController;
use App\Http\Controllers\ReversalsController;
use App\Http\Controllers\RowsSetAsideController;
use App\Http\Controllers\RunsController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SettingsController;
use App\Http\Controllers\ShelfController;
use App\Http\Controllers\SignOffController;
use App\Http\Controllers\StandInController;
use App\Http\Controllers\StatementsController;
use App\Http\Controllers\TableController;
use App\Http\Controllers\UnappliedController;
use App\Http\Controllers\WorkController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/sign-in', [SessionController::class, 'create'])->name('sign-in');
    Route::post('/sign-in', [SessionController::class, 'store']);
    Route::get('/sign-in/code', [SessionController::class, 'code'])->name('sign-in.code');
    Route::post('/sign-in/code', [SessionController::class, 'checkCode']);
    Route::get('/forgotten', [PasswordLinkController::class, 'forgotten'])->name('forgotten');
    Route::post('/forgotten', [PasswordLinkController::class, 'send']);
    Route::get('/welcome/{token}', [PasswordLinkController::class, 'show'])->name('welcome');
    Route::post('/welcome/{token}', [PasswordLinkController::class, 'set']);
    Route::get('/first-start', [FirstStartController::class, 'create'])->name('first-start');
    Route::post('/first-start', [FirstStartController::class, 'store']);
});
Route::get('/enter/{pass}', [ShelfController::class, 'enter'])->name('enter');

Route::middleware('auth')->group(function (): void {
    Route::post('/sign-out', [SessionController::class, 'destroy'])->name('sign-out');
    Route::get('/', DeskController::class)->name('desk');
    Route::get('/first-steps', [DeskController::class, 'firstSteps'])->name('first-steps');
    Route::controller(MeController::class)->group(function (): void {
        Route::get('/me', 'index')->name('me');
        Route::get('/me/stay', 'stay')->name('stay');
        Route::post('/me/password', 'password')->name('me.password');
        Route::post('/me/second-factor', 'takeUp')->name('me.second-factor');
        Route::post('/me/second-factor/give-up', 'giveUp')->name('me.give-up');
        Route::post('/me/sessions/{session}/end', 'end')->name('me.end');
    });
    Route::controller(ShelfController::class)->group(function (): void {
        Route::get('/books', 'index')->name('shelf');
        Route::get('/books/{books}', 'open')->name('shelf.open');
        Route::post('/books', 'add')->middleware('administers')->name('shelf.add');
    });
    Route::get('/people', [PeopleController::class, 'index'])->name('people');
    Route::controller(PeopleController::class)->middleware('administers')->group(function (): void {
        Route::post('/people', 'invite')->name('people.invite');
        Route::post('/people/{user}/link', 'link')->name('people.link')->whereNumber('user');
        Route::post('/people/{user}/role', 'role')->name('people.role')->whereNumber('user');
        Route::post('/people/{user}/disable', 'disable')->name('people.disable')->whereNumber('user');
        Route::post('/people/{user}/enable', 'enable')->name('people.enable')->whereNumber('user');
    });

    Route::get('/intake', [IntakeController::class, 'index'])->name('intake');
    Route::get('/intake/imports/{import}', [IntakeController::class, 'show'])
        ->name('import')
        ->whereNumber('import');
    Route::get('/intake/files/{file}', [IntakeController::class, 'source'])
        ->name('source-file')
        ->whereNumber('file');
    Route::get('/intake/hand-in/{token}', [IntakeController::class, 'preview'])->name('hand-in');

    Route::get('/intake/rows/{row}', [RowsSetAsideController::class, 'show'])->name('row')->whereNumber('row');
    Route::get('/intake/compare', [IntakeController::class, 'compare'])->name('intake.compare');

    Route::get('/receipts', [ReceiptsController::class, 'index'])
        ->name('receipts')
        ->middleware('reads-session-only');
    Route::get('/receipts/payers', [ReceiptsController::class, 'payers'])->name('receipts.payers');
    Route::get('/receipts/placed', [ReceiptsController::class, 'placed'])->name('receipts.placed');
    Route::get('/receipts/{item}.pdf', [BooksController::class, 'receiptPaper'])
        ->name('receipt.paper')
        ->whereNumber('item');
    Route::get('/runs/{run}', [RunsController::class, 'show'])->name('run')->whereNumber('run');
    Route::get('/contra/runs/{run}/letters.pdf', [RunsController::class, 'letters'])
        ->name('contra.letters')
        ->whereNumber('run');
    Route::get('/bank', [BankController::class, 'index'])->name('bank');
    Route::get('/batches', [BatchesController::class, 'index'])->name('batches');
    Route::get('/batches/{batch}/register.pdf', [BatchesController::class, 'register'])
        ->name('batches.register')
        ->whereNumber('batch');
    Route::get('/customers/options', [BatchesController::class, 'customers'])
        ->name('customers.options')
        ->middleware('reads-session-only');
    Route::controller(DirectDebitsController::class)->group(function (): void {
        Route::get('/direct-debits', 'index')->name('direct-debits');
        Route::get('/mandates', 'mandates')->name('mandates');
        Route::get('/direct-debits/{collection}', 'show')->name('collection')->whereNumber('collection');
        Route::get('/direct-debits/{collection}/{part}.xml', 'file')
            ->name('collection.file')
            ->whereNumber('collection')
            ->whereIn('part', ['order', 'answer']);
    });
    Route::get('/deposits', [DepositsController::class, 'index'])->name('deposits');
    Route::get('/credit-notes/{item}.pdf', [CreditNotesController::class, 'paper'])
        ->name('credit-note.paper')
        ->whereNumber('item');
    Route::get('/refunds', [RefundsController::class, 'index'])->name('refunds');
    Route::get('/refunds/{item}.pdf', [RefundsController::class, 'paper'])
        ->name('refunds.paper')
        ->whereNumber('item');
    Route::get('/payment-orders/{order}/{part}.xml', [RefundsController::class, 'order'])
        ->name('payment-order')
        ->whereNumber('order')
        ->whereIn('part', ['order', 'answer']);
    Route::get('/settings', [SettingsController::class, 'index'])->name('settings');
    Route::get('/policies', [PoliciesController::class, 'index'])->name('policies');
    Route::get('/lists/{list}', [ListsController::class, 'index'])->name('list');
    Route::get('/outbox', [StandInController::class, 'outbox'])->name('outbox');
    Route::get('/outbox/{message}.eml', [StandInController::class, 'message'])
        ->name('outbox.message')
        ->whereNumber('message');
    Route::get('/proof', [ProofController::class, 'index'])
        ->name('proof')
        ->middleware('reads-session-only');
    Route::get('/proof/source', [ProofController::class, 'source'])->name('proof.source');
    Route::get('/proof/pairs', [ProofController::class, 'pairs'])->name('proof.pairs');
    Route::get('/proof/unseen', [ProofController::class, 'unseen'])->name('proof.unseen');
    Route::get('/proof/statement.pdf', [ProofController::class, 'paper'])->name('proof.paper');
    Route::get('/find', [FindController::class, 'index'])->name('find');
    Route::match(['get', 'post'], '/pair-check', [FindController::class, 'pairCheck'])->name('pair-check');
    Route::get('/trial-balance', [LedgerController::class, 'trialBalance'])->name('trial-balance');
    Route::get('/clearing', [LedgerController::class, 'clearing'])->name('clearing');
    Route::get('/proof.{format}', [ProofController::class, 'export'])
        ->name('proof.export')
        ->whereIn('format', ['csv', 'xlsx']);
    Route::get('/unapplied', [UnappliedController::class, 'index'])
        ->name('unapplied')
        ->middleware('reads-session-only');
    Route::get('/unapplied/proposals', [UnappliedController::class, 'propose'])
        ->name('unapplied.propose')
        ->middleware('reads-session-only');
    Route::get('/unapplied/runs/{run}', [UnappliedController::class, 'postedRun'])
        ->name('unapplied.posted-run')
        ->whereNumber('run');
    Route::get('/unapplied/run', [UnappliedController::class, 'run'])->name('unapplied.run');
    Route::get('/contra', [RunsController::class, 'index'])->name('contra')->defaults('kind', 'contra');
    Route::get('/residues', [RunsController::class, 'index'])->name('residues')->defaults('kind', 'residues');
    Route::get('/currency', [RunsController::class, 'index'])->name('currency')->defaults('kind', 'currency');
    Route::get('/sign-off', [SignOffController::class, 'index'])->name('sign-off');
    Route::get('/sign-off/{period}', [SignOffController::class, 'period'])->name('sign-off.period');
    Route::get('/sign-off/packs/{work}.zip', [SignOffController::class, 'cut'])->name('sign-off.cut')->whereNumber('work');
    Route::get('/sign-off/{period}/pack.zip', [SignOffController::class, 'pack'])->name('sign-off.pack');
    Route::get('/approvals', [ApprovalsController::class, 'index'])->name('approvals');
    Route::get('/approvals/{id}', [ApprovalsController::class, 'show'])->name('approval')->whereNumber('id');
    Route::get('/currency/results', [RatesController::class, 'results'])->name('exchange-results');
    Route::get('/late-news', [LateNewsController::class, 'index'])->name('late-news');
    Route::get('/agreements', [PartiesController::class, 'agreements'])->name('agreements');
    Route::get('/suppliers', [PartiesController::class, 'suppliers'])->name('suppliers');
    Route::get('/suppliers/{id}', [PartiesController::class, 'supplier'])->name('supplier')->whereNumber('id');
    Route::get('/rates', [RatesController::class, 'index'])->name('rates');
    Route::get('/movement', [MovementController::class, 'index'])->name('movement');
    Route::get('/movement/{line}', [MovementController::class, 'line'])->name('movement.line');
    Route::get('/movement.{format}', [MovementController::class, 'export'])->name('movement.export')->whereIn('format', ['csv', 'xlsx']);
    Route::get('/confirmations', [ConfirmationsController::class, 'index'])->name('confirmations');
    Route::get('/confirmations/{sample}.pdf', [ConfirmationsController::class, 'print'])
        ->name('confirmations.print')
        ->whereNumber('sample');
    Route::get('/aged/months', [AgedController::class, 'months'])->name('aged.months');
    Route::get('/allowance/history', [AllowanceController::class, 'history'])->name('allowance.history');
    Route::get('/measures', [StatementsController::class, 'measures'])->name('measures');
    Route::get('/customers/{customer}/statement.pdf', [StatementsController::class, 'pdf'])->name('statement')->whereNumber('customer');
    Route::get('/allowance', [RunsController::class, 'index'])->name('allowance')->defaults('kind', 'allowance');
    Route::get('/credit-balances', [RunsController::class, 'index'])->name('credit-balances')->defaults('kind', 'credit-balances');
    Route::get('/aged', [AgedController::class, 'index'])->name('aged');
    Route::get('/statements', [StatementsController::class, 'index'])->name('statements');
    Route::get('/statements.pdf', [StatementsController::class, 'all'])->name('statements.print');
    Route::get('/aged.pdf', [AgedController::class, 'paper'])->name('aged.paper');
    Route::get('/aged/cash-after', [AgedController::class, 'cashAfter'])->name('cash-after');
    Route::get('/aged.{format}', [AgedController::class, 'export'])
        ->name('aged.export')
        ->whereIn('format', ['csv', 'xlsx']);
    Route::get('/aged/{customer}/documents', [AgedController::class, 'documents'])->name('aged.documents')->whereNumber('customer');
    Route::get('/aged/{customer}', [AgedController::class, 'items'])
        ->name('aged.items')
        ->whereNumber('customer');

    Route::get('/journals', [JournalsController::class, 'index'])->name('journals');
    Route::get('/vouchers/{voucher}', [JournalsController::class, 'voucher'])
        ->name('voucher')
        ->whereNumber('voucher');
    Route::get('/matches/{settlement}', [JournalsController::class, 'match'])
        ->name('match')
        ->whereNumber('settlement');
    Route::get('/work/{id}', [WorkController::class, 'show'])->name('work')->whereNumber('id');
    Route::get('/trail', [JournalsController::class, 'trail'])->name('trail');

    Route::get('/documents/{item}', [BooksController::class, 'document'])
        ->name('document')
        ->whereNumber('item');
    Route::get('/documents/{item}/take-back', [ReversalsController::class, 'show'])
        ->name('document.reverse')
        ->whereNumber('item');
    Route::get('/notes/{note}/file', [NotesController::class, 'file'])
        ->name('note.file')
        ->whereNumber('note');
    Route::get('/postings/{posting}', [BooksController::class, 'posting'])
        ->name('posting')
        ->whereNumber('posting');
    Route::get('/customers/{customer}', [BooksController::class, 'customer'])
        ->name('customer')
        ->whereNumber('customer');
    Route::get('/accounts/{account}', [BooksController::class, 'account'])->name('account');
    Route::get('/search', [BooksController::class, 'search'])->name('search');

    // Posts nothing: it only turns what the page shows into a file.
    Route::post('/table.{format}', TableController::class)
        ->name('table')
        ->whereIn('format', ['csv', 'xlsx']);

    Route::middleware(['writer', 'asks-late-date'])->group(function (): void {
        Route::post('/work/{id}/cancel', [WorkController::class, 'cancel'])->name('work.cancel')->whereNumber('id');
        Route::post('/intake', [IntakeController::class, 'handIn'])->name('intake.hand-in');
        Route::post('/intake/hand-in/{token}/mapping', [IntakeController::class, 'map'])->name('hand-in.map');
        Route::post('/intake/hand-in/{token}/customers', [IntakeController::class, 'nameCustomers'])->name('hand-in.customers');
        Route::post('/intake/hand-in/{token}/declared', [IntakeController::class, 'declare'])->name('hand-in.declare');
        Route::post('/intake/hand-in/{token}/commit', [IntakeController::class, 'commit'])->name('hand-in.commit');
        Route::post('/intake/hand-in/{token}/discard', [IntakeController::class, 'discard'])->name('hand-in.discard');
        Route::post('/intake/rows/{row}/correct', [RowsSetAsideController::class, 'correct'])
            ->name('row.correct')
            ->whereNumber('row');
        Route::post('/intake/rows/{row}/close', [RowsSetAsideController::class, 'close'])
            ->name('row.close')
            ->whereNumber('row');
        Route::post('/receipts/{line}/rehearse', [ReceiptsController::class, 'rehearse'])
            ->name('receipts.rehearse')
            ->middleware('reads-session-only')
            ->whereNumber('line');
        Route::post('/proof/not-needed', [ProofController::class, 'reverseNotNeeded'])->name('proof.not-needed');
        Route::post('/proof/correct/{way}', CorrectionsController::class)->name('proof.correct');
        Route::post('/proof/ask', [ProofController::class, 'ask'])->name('proof.ask');
        Route::post('/proof/pair', [ProofController::class, 'pair'])->name('proof.pair');
        Route::post('/proof/pairs/{pair}/withdraw', [ProofController::class, 'withdrawPair'])
            ->name('proof.withdraw-pair')
            ->whereNumber('pair');
        Route::post('/proof/carry', [ProofController::class, 'carry'])->name('proof.carry');
        Route::post('/proof/carried/{carried}/withdraw', [ProofController::class, 'withdraw'])
            ->name('proof.withdraw')
            ->whereNumber('carried');
        Route::post('/vouchers/{voucher}/reverse', [JournalsController::class, 'reverse'])
            ->name('voucher.reverse')
            ->whereNumber('voucher');
        Route::post('/receipts/accept', [ReceiptsController::class, 'accept'])->name('receipts.accept');
        Route::post('/receipts/{line}', [ReceiptsController::class, 'post'])
            ->name('receipts.post')
            ->whereNumber('line');
        Route::controller(ReceiptsController::class)->group(function (): void {
            Route::post('/receipts/{line}/aside', 'setAside')->name('receipts.aside')->whereNumber('line');
            Route::post('/receipts/{line}/paste', 'paste')->name('receipts.paste')->whereNumber('line');
            Route::post('/receipts/{line}/draft', 'draft')->name('receipts.draft')->whereNumber('line');
            Route::post('/receipts/{line}/drop-draft', 'dropDraft')->name('receipts.drop-draft')->whereNumber('line');
            Route::post('/receipts/{line}/accounts', 'onAccounts')->name('receipts.accounts')->whereNumber('line');
            Route::post('/receipts/{line}/divide', 'divide')->name('receipts.divide')->whereNumber('line');
            Route::post('/receipts/{line}/confirm', 'confirm')->name('receipts.confirm')->whereNumber('line');
            Route::post('/receipts/placements/{placement}/take-back', 'takeBack')->name('receipts.take-back')->whereNumber('placement');
            Route::post('/documents/{item}/returned', 'returned')->name('receipts.returned')->whereNumber('item');
            Route::post('/documents/{item}/mistaken', 'mistaken')->name('receipts.mistaken')->whereNumber('item');
            Route::post('/documents/{item}/discount', 'discount')->name('discount.decide')->whereNumber('item');
        });
        Route::post('/documents/{item}/send', [BooksController::class, 'sendReceipt'])
            ->name('receipt.send')
            ->whereNumber('item');
        Route::post('/contested/{contested}/end', [BooksController::class, 'endContest'])
            ->name('contested.end')
            ->whereNumber('contested');
        Route::controller(BatchesController::class)->group(function (): void {
            Route::post('/batches', 'open')->name('batches.open');
            Route::post('/batches/type', 'type')->name('batches.type');
            Route::post('/batches/lines/{line}/remove', 'remove')->name('batches.remove')->whereNumber('line');
            Route::post('/batches/{batch}/declare', 'declare')->name('batches.declare')->whereNumber('batch');
            Route::post('/batches/{batch}/close', 'close')->name('batches.close')->whereNumber('batch');
            Route::post('/batches/{batch}/post', 'post')->name('batches.post')->whereNumber('batch');
        });
        Route::post('/contra/{item}/back', [RunsController::class, 'pairBack'])
            ->name('contra.back')
            ->whereNumber('item');
        Route::post('/sign-off/backup', [SignOffController::class, 'backup'])->name('sign-off.backup');
        Route::post('/sign-off/checks', [SignOffController::class, 'addCheck'])->name('sign-off.add-check');
        Route::post('/sign-off/checks/{check}/end', [SignOffController::class, 'endCheck'])
            ->name('sign-off.end-check')
            ->whereNumber('check');
        Route::post('/sign-off/explain', [SignOffController::class, 'explain'])->name('sign-off.explain');
        Route::post('/sign-off/sign', [SignOffController::class, 'sign'])->name('sign-off.sign');
        Route::post('/sign-off/send-back', [SignOffController::class, 'sendBack'])->name('sign-off.send-back');
        Route::post('/sign-off/reopen', [SignOffController::class, 'reopen'])->name('sign-off.reopen');
        Route::post('/approvals/{id}/approve', [ApprovalsController::class, 'approve'])->name('approval.approve')->whereNumber('id');
        Route::post('/approvals/{id}/send-back', [ApprovalsController::class, 'sendBack'])->name('approval.send-back')->whereNumber('id');
        Route::get('/customers/{customer}/irrecoverable', [LostDebtsController::class, 'create'])
            ->name('irrecoverable')
            ->whereNumber('customer');
        Route::post('/customers/{customer}/irrecoverable', [LostDebtsController::class, 'post'])
            ->name('irrecoverable.post')
            ->whereNumber('customer');
        Route::post('/customers/{customer}/irrecoverable/rehearse', [LostDebtsController::class, 'rehearse'])
            ->name('irrecoverable.rehearse')
            ->whereNumber('customer');
        Route::post('/written-off/{item}/recover', [LostDebtsController::class, 'recover'])->name('recover')->whereNumber('item');
        Route::post('/customers/{customer}/statement', [StatementsController::class, 'send'])
            ->name('statement.send')
            ->whereNumber('customer');
        Route::post('/allowance/specific', [AllowanceController::class, 'specific'])->name('allowance.specific');
        Route::post('/allowance/overlays', [AllowanceController::class, 'overlay'])->name('allowance.overlay');
        Route::post('/allowance/overlays/{overlay}/end', [AllowanceController::class, 'endOverlay'])
            ->name('allowance.end-overlay')
            ->whereNumber('overlay');
        Route::post('/allowance/rates', [AllowanceController::class, 'rate'])->name('allowance.rate');
        Route::post('/documents/{item}/deposit', [DepositsController::class, 'hold'])->name('document.deposit')->whereNumber('item');
        Route::post('/statements/send', [StatementsController::class, 'sendAll'])->name('statements.send');
        Route::post('/late-news/take', [LateNewsController::class, 'take'])->name('late-news.take');
        Route::post('/late-news/leave', [LateNewsController::class, 'leave'])->name('late-news.leave');
        Route::post('/policies', [PoliciesController::class, 'post'])->name('policies.post');
        Route::post('/balance', [ListsController::class, 'balance'])->name('balance.take');
        Route::post('/lists/roles', [ListsController::class, 'roles'])->name('list.roles');
        Route::post('/lists/{list}', [ListsController::class, 'store'])->name('list.store');
        Route::post('/agreements', [PartiesController::class, 'agree'])->name('agreements.post');
        Route::post('/agreements/end', [PartiesController::class, 'end'])->name('agreement.end');
        Route::post('/parties/link', [PartiesController::class, 'link'])->name('parties.link');
        Route::post('/parties/part', [PartiesController::class, 'part'])->name('parties.part');
        Route::post('/rates', [RatesController::class, 'post'])->name('rates.post');
        Route::post('/rates/fetch', [RatesController::class, 'fetch'])->name('rates.fetch');
        Route::post('/currency/accept-rates', [RunsController::class, 'acceptRates'])->name('currency.accept');
        Route::controller(ConfirmationsController::class)->group(function (): void {
            Route::post('/confirmations', 'draw')->name('confirmations.draw');
            Route::post('/confirmations/{sample}/send', 'send')->name('confirmations.send')->whereNumber('sample');
            Route::post('/confirmations/letters/{letter}', 'answer')->name('confirmations.answer')->whereNumber('letter');
        });
        Route::post('/allowance/history', [AllowanceController::class, 'takeHistory'])->name('allowance.history.take');
        Route::post('/customers/{customer}/promises', [CreditController::class, 'promise'])->name('promise');
        Route::post('/customers/{customer}/securities', [CreditController::class, 'security'])->name('security');
        Route::post('/customers/{customer}/{list}/{id}/end', [CreditController::class, 'end'])
            ->name('credit.end')
            ->whereIn('list', ['promises', 'securities'])
            ->whereNumber('id');
        Route::post('/me/deputies', [MeController::class, 'deputy'])->name('me.deputy');
        Route::post('/me/deputies/{deputy}/end', [MeController::class, 'endDeputy'])->name('me.deputy.end')->whereNumber('deputy');
        Route::post('/contra/pair', [RunsController::class, 'keepPair'])->name('contra.pair');
        Route::post('/contra/pair/rehearse', [RunsController::class, 'rehearsePair'])
            ->name('contra.pair.rehearse')
            ->middleware('reads-session-only');
        Route::post('/contra/runs/{run}/letters', [RunsController::class, 'sendLetters'])
            ->name('contra.send')
            ->whereNumber('run');
        Route::controller(RunsController::class)->whereIn(
            'kind',
            ['contra', 'residues', 'currency', 'allowance', 'credit-balances'],
        )->group(function (): void {
            Route::post('/runs/{kind}', 'post')->name('run.post');
            Route::post('/runs/{kind}/ask', 'ask')->name('run.ask');
            Route::post('/runs/{kind}/choose', 'choose')->name('run.choose');
            Route::post('/runs/{kind}/blocks', 'block')->name('run.block');
            Route::post('/runs/{kind}/blocks/{block}/lift', 'lift')->name('run.lift')->whereNumber('block');
            Route::post('/runs/{kind}/{run}/again', 'again')->name('run.again')->whereNumber('run');
            Route::post('/runs/{kind}/{run}/reverse', 'reverse')->name('run.reverse')->whereNumber('run');
        });
        Route::controller(DirectDebitsController::class)->group(function (): void {
            Route::post('/direct-debits', 'prepare')->name('collection.prepare');
            Route::post('/direct-debits/rehearse', 'rehearse')->name('collection.rehearse')->middleware('reads-session-only');
            Route::post('/direct-debits/{collection}/tell', 'tell')->name('collection.tell')->whereNumber('collection');
            Route::post('/direct-debits/{collection}/send', 'send')->name('collection.send')->whereNumber('collection');
            Route::post('/direct-debits/{collection}/discard', 'discard')->name('collection.discard')->whereNumber('collection');
            Route::post('/mandates', 'keep')->name('mandates.keep');
            Route::post('/mandates/{mandate}/end', 'end')->name('mandates.end')->whereNumber('mandate');
        });
        Route::get('/customers/{customer}/credit-note', [CreditNotesController::class, 'create'])
            ->name('credit-note')
            ->whereNumber('customer');
        Route::post('/customers/{customer}/credit-note', [CreditNotesController::class, 'post'])
            ->name('credit-note.post')
            ->whereNumber('customer');
        Route::post('/customers/{customer}/credit-note/rehearse', [CreditNotesController::class, 'rehearse'])
            ->name('credit-note.rehearse')
            ->middleware('reads-session-only')
            ->whereNumber('customer');
        Route::post('/documents/{item}/clear-rest', [CreditNotesController::class, 'clearRest'])
            ->name('credit-note.clear')
            ->whereNumber('item');
        Route::post('/notes', [NotesController::class, 'post'])->name('note');
        Route::post('/questions', [NotesController::class, 'ask'])->name('question');
        Route::post('/questions/{question}/answer', [NotesController::class, 'answer'])->name('question.answer')->whereNumber('question');
        Route::post('/notes/{note}/strike', [NotesController::class, 'strike'])
            ->name('note.strike')
            ->whereNumber('note');
        Route::post('/documents/{item}/take-back', [ReversalsController::class, 'post'])
            ->name('document.take-back')
            ->whereNumber('item');
        Route::post('/documents/{item}/move', [ReversalsController::class, 'move'])
            ->name('receipt.move')
            ->whereNumber('item');
        Route::post('/matches/lines/{match}/reverse', [ReversalsController::class, 'matchLine'])
            ->name('match.line.reverse')
            ->whereNumber('match');
        Route::post('/documents/{item}/refund', [RefundsController::class, 'post'])
            ->name('refunds.post')
            ->whereNumber('item');
        Route::post('/customers/{customer}/refund', [RefundsController::class, 'ahead'])
            ->name('refunds.ahead')
            ->whereNumber('customer');
        Route::post('/refunds/{refund}/approve', [RefundsController::class, 'approve'])
            ->name('refunds.approve')
            ->whereNumber('refund');
        Route::post('/refunds/order', [RefundsController::class, 'send'])->name('refunds.order');
        Route::controller(SettingsController::class)->group(function (): void {
            Route::post('/settings/reasons', 'reason')->name('settings.reason');
            Route::post('/settings/reasons/{code}/retire', 'retire')->name('settings.retire');
            Route::post('/settings/payers/forget', 'forget')->name('settings.forget');
            Route::post('/settings/rules/{rule}/withdraw', 'withdraw')->name('settings.rule')->whereNumber('rule');
        });
        Route::post('/bank/pick', [BankController::class, 'pick'])->name('bank.pick');
        Route::post('/bank/{line}/decide', [BankController::class, 'decide'])
            ->name('bank.decide')
            ->whereNumber('line');
        Route::post('/receipts/{line}/answer', [BankController::class, 'answer'])
            ->name('receipts.answer')
            ->whereNumber('line');
        Route::post('/bank/next', [StandInController::class, 'statement'])->name('bank.next');
        Route::post('/unapplied/run/rehearse', [UnappliedController::class, 'rehearseRun'])->name('unapplied.run.rehearse');
        Route::post('/unapplied/run', [UnappliedController::class, 'postRun'])->name('unapplied.run.post');
        Route::post('/unapplied/runs/{run}/reverse', [UnappliedController::class, 'reverseRun'])
            ->name('unapplied.run.reverse')
            ->whereNumber('run');
        Route::post('/unapplied/{customer}/leave', [UnappliedController::class, 'leave'])
            ->name('unapplied.leave')
            ->whereNumber('customer');
        Route::post('/unapplied/{customer}/rehearse', [UnappliedController::class, 'rehearse'])
            ->name('unapplied.rehearse')
            ->middleware('reads-session-only')
            ->whereNumber('customer');
        Route::post('/unapplied/{customer}', [UnappliedController::class, 'post'])
            ->name('unapplied.post')
            ->whereNumber('customer');
        Route::post('/matches/{settlement}/reverse', [UnappliedController::class, 'reverse'])
            ->name('match.reverse')
            ->whereNumber('settlement');
        // An export is noted, so that a voucher that does not come back can be named.
        Route::post('/journals/{what}.csv', [JournalsController::class, 'export'])
            ->name('journals.export')
            ->whereIn('what', ['journals', 'items', 'matches', 'supplier_items', 'supplier_matches']);
    });
});
