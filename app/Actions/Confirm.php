<?php

declare(strict_types=1);

namespace App\Actions;

use Ajuste\Core\Ledger\Account;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Statement\ConfirmationAnswer;
use Ajuste\Core\Statement\ConfirmationSample;
use Ajuste\Core\Statement\Statement;
use App\Actions\Posting\Once;
use App\Actions\Posting\Reason;
use App\Queries\Confirmations;
use App\Queries\Settings;
use App\Queries\Statements;
use App\StandIn\Outbox;
use App\Support\Actor;
use App\Support\AuditTrail;
use App\Support\LongWork;
use App\Support\Moment;
use App\Support\Pdf;
use App\Values\WorkState;
use Closure;
use Illuminate\Support\Facades\DB;
use stdClass;

/** Draws customers who are asked to confirm their balance, writes to them, and keeps what they answer. */
final readonly class Confirm
{
    /** Before every document. */
    private const EVER = '1900-01-01';

    public function __construct(
        private Confirmations $confirmations,
        private Statements $statements,
        private Settings $settings,
        private Outbox $outbox,
        private Actor $actor,
        private AuditTrail $audit,
    ) {}

    /**
     * @param Closure(array<int, Money>): ConfirmationSample $draw
     * @param string $replyTo where the reply slip goes, such as the auditor's address
     * @return int the sample
     *
     * @throws Refusal when nobody is drawn, or no address is named
     */
    public function draw(string $key, Account $account, string $asOf, Closure $draw, string $replyTo): int
    {
        $balances = $this->confirmations->balances($account, $asOf);
        $sample = $draw($balances);
        if ($sample->drawn === []) {
            throw new Refusal('By this rule nobody is drawn. Choose another.');
        }
        $to = Reason::of($replyTo, 'Say where the reply slip goes, such as the auditor’s address.');

        return (int) Once::for($key, function () use ($account, $asOf, $sample, $balances, $to): int {
            $id = DB::table('confirmations')->insertGetId([
                'account_id' => $account->id, 'as_of' => $asOf, 'rule' => $sample->rule->value, 'says' => $sample->says, 'reply_to' => $to,
                'population' => count($balances), 'balance' => Money::sum($balances, $this->settings->base())->minor,
                'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            foreach ($sample->drawn as $customer) {
                DB::table('confirmation_letters')->insert([
                    'confirmation_id' => $id, 'customer_id' => $customer, 'balance' => $balances[$customer]->minor,
                ]);
            }
            $this->audit->record('draw sample', "confirmation {$id}", '', [
                'rule' => $sample->says, 'drawn' => (string) count($sample->drawn),
            ]);

            return $id;
        });
    }

    /** Sends the letters that wait, one after the other; begun again it goes on where it was. */
    public function sendAll(LongWork $work): void
    {
        $sample = $this->found((int) $work->content()['sample']);
        $waiting = array_values(array_filter(
            $this->confirmations->letters($sample->id),
            static fn (stdClass $of): bool => $of->sent_at === null && $of->email !== '',
        ));
        foreach ($waiting as $place => $letter) {
            $work->at($place, count($waiting));
            Once::for("confirmation letter {$letter->id}", fn (): int => $this->outbox->keep(
                $letter->email,
                "Confirmation of your balance as of {$sample->as_of}",
                "Dear {$letter->name},\n\nplease compare the balance in the letter attached with your books, and send the slip to "
                    ."{$sample->reply_to}.\n",
                "confirmation {$letter->id}",
                $this->pdf($sample, [$letter]),
                "confirmation-{$letter->customer}-{$sample->as_of}.pdf",
            ));
        }
        $work->end(WorkState::Done, count($waiting).' letters were sent.', $work->content()['page']);
    }

    /** @param  list<stdClass>  $letters of the sample */
    public function pdf(stdClass $sample, array $letters): string
    {
        $account = $this->settings->accounts()->withId($sample->account_id);
        $of = [];
        foreach ($letters as $letter) {
            $all = $this->statements->of($account, $letter->customer_id, self::EVER, $sample->as_of);
            $of[] = [$letter, array_values(array_filter($all, static fn (Statement $each): bool => $each->open() !== []))];
        }

        return Pdf::of('confirmations.letter', [
            'sample' => $sample,
            'letters' => $of,
        ], $sample->as_of);
    }

    /**
     * @param ?Money $states the balance that the customer states, base currency; null: agrees
     * @param string $words documents and reasons; asked for where it differs
     *
     * @throws Refusal when there is no such letter, or a difference is not explained
     */
    public function answer(string $key, int $letterId, ?Money $states, string $words): void
    {
        $letter = DB::table('confirmation_letters')->where('id', $letterId)->first()
            ?? throw Refusal::notFound('There is no such letter. Load the page again.');
        $answer = ConfirmationAnswer::of(Money::ofMinor($letter->balance, $this->settings->base()), $states, $words);
        Once::for($key, function () use ($letterId, $answer): int {
            $id = DB::table('confirmation_answers')->insertGetId([
                'letter_id' => $letterId, 'agrees' => (int) $answer->agrees(), 'difference' => $answer->difference->minor,
                'words' => $answer->words, 'who' => $this->actor->who, 'recorded_at' => Moment::now(),
            ]);
            $this->audit->record('answer of a confirmation', "letter {$letterId}", $answer->words);

            return $id;
        });
    }

    /** @throws Refusal when there is no such sample */
    public function found(int $sampleId): stdClass
    {
        return $this->confirmations->sample($sampleId) ?? throw Refusal::notFound('There is no such sample. Load the page again.');
    }
}
