<?php

declare(strict_types=1);

namespace App\Actions\Runs;

use Ajuste\Core\Refusal;
use App\Actions\Posting\Once;
use App\Queries\ContraLetters;
use App\StandIn\Outbox;
use Illuminate\Support\Facades\DB;

/** Tells each party of a run what was set off. */
final readonly class SendContraLetters
{
    public function __construct(private ContraLetters $letters, private Outbox $outbox) {}

    /**
     * @return string how many were sent, and who has no address
     *
     * @throws Refusal when nobody of the run has an e-mail address, or nothing of it stands
     */
    public function post(string $key, int $run): string
    {
        return Once::for($key, function () use ($run): string {
            $letters = $this->letters->ofRun($run);
            $ids = array_map(static fn ($letter): int => $letter->customer->id, $letters);
            $emails = DB::table('customers')->whereIn('id', $ids)->where('email', '<>', '')->pluck('email', 'id');
            $without = [];
            $sent = 0;
            foreach ($letters as $letter) {
                $customer = $letter->customer;
                if (! isset($emails[$customer->id])) {
                    $without[$customer->number] = $customer->number;

                    continue;
                }
                $money = "{$letter->contra->amount->grouped()} {$letter->contra->amount->currency->code}";
                $this->outbox->keep(
                    (string) $emails[$customer->id],
                    "Contra {$letter->contra->document}, {$money}",
                    "Dear {$customer->name},\n\nunder our agreement {$letter->agreement} we have set off {$money} of what you owe us "
                        ."against what we owe you. The letter attached lists the documents of both sides and what remains.\n",
                    "item {$letter->contra->id}",
                    $this->letters->pdf([$letter]),
                    "contra-{$letter->contra->document}.pdf",
                );
                $sent++;
            }
            $missing = $without === [] ? '' : ' Without an e-mail address in customers.csv: '.implode(', ', $without).'; print theirs.';

            return $sent > 0 ? "{$sent} sent.{$missing}" : throw new Refusal("Nobody was written to.{$missing}");
        });
    }
}
