<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\Money;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\PaymentWay;
use App\Actions\OrderPayments;
use App\Actions\PayBack;
use App\Http\Download;
use App\Http\FormKey;
use App\Http\ListWindow;
use App\Http\Paper;
use App\Http\Part;
use App\Http\WorktopForm;
use App\Queries\ItemCurrencies;
use App\Queries\RefundList;
use App\Queries\Settings;
use App\Values\RefundRequest;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use stdClass;
use Symfony\Component\HttpFoundation\Response;

/** Credits that are paid back, and the orders by which the bank is asked to. */
final class RefundsController
{
    public function index(Request $request, RefundList $refunds, Settings $settings): string
    {
        $ids = $refunds->ids();

        return Part::of(view('refunds.index', [
            'window' => ListWindow::fetched(
                $request,
                $ids,
                $refunds->several(...),
                static fn (stdClass $of): string => "{$of->document} {$of->payee} {$of->iban} {$of->credit} {$of->reason} {$of->way} "
                    .Money::ofMinor($of->paid, $of->currency)->grouped()." {$of->currency} {$of->status} {$of->back_reason}",
                [
                    'refund' => static fn (stdClass $of): string => $of->document,
                    'dated' => static fn (stdClass $of): string => $of->date,
                    'to' => static fn (stdClass $of): string => $of->payee,
                    'pays back' => static fn (stdClass $of): string => (string) $of->credit,
                    'by' => static fn (stdClass $of): string => $of->way,
                    'amount' => static fn (stdClass $of): int => $of->paid,
                ],
            ),
            'none' => $ids === [] ? 'Nothing was paid back yet.' : 'No refund has these words.',
            'waiting' => $refunds->toOrder(),
            'base' => $settings->base(),
            'key' => bin2hex(random_bytes(16)),
        ]), $request);
    }

    public function post(Request $request, int $item, PayBack $pay, ItemCurrencies $currencies): RedirectResponse
    {
        $sum = WorktopForm::amount($request->string('amount')->toString(), $currencies->settling([$item]));
        $refund = $pay->credit(FormKey::of($request, 'refund'), $item, $sum, self::read($request));

        return redirect()
            ->route('refunds')
            ->with('done', [
                'text' => 'Posted. Refund and credit close each other.',
                'url' => route('document', $refund),
                'link' => 'Open the refund',
            ]);
    }

    /** Paid before its credit note exists. */
    public function ahead(Request $request, int $customer, PayBack $pay): RedirectResponse
    {
        $currency = Currency::of($request->string('currency')->toString());
        $sum = WorktopForm::amount($request->string('amount')->toString(), $currency) ?? Money::zero($currency);
        $refund = $pay->ahead(FormKey::of($request, 'refund-ahead'), $customer, $sum, self::read($request));

        return redirect()
            ->route('refunds')
            ->with('done', [
                'text' => 'Posted. It stays open as a debit until its credit note is matched with it.',
                'url' => route('document', $refund),
                'link' => 'Open the refund',
            ]);
    }

    public function approve(Request $request, int $refund, OrderPayments $refunds): RedirectResponse
    {
        $refunds->approve(FormKey::of($request, 'approve'), $refund);

        return redirect()
            ->route('refunds')
            ->with('done', ['text' => 'Approved. It can be ordered from the bank.']);
    }

    public function send(Request $request, OrderPayments $orders): RedirectResponse
    {
        $ordered = $orders->order(FormKey::of($request, 'order'), date('Y-m-d'));
        $which = count($ordered) === 1 ? "Payment order {$ordered[0]} is" : 'Payment orders '.implode(' and ', $ordered).' are';

        return redirect()
            ->route('refunds')
            ->with('done', [
                'text' => "{$which} with the bank, which has answered.",
                'url' => route('payment-order', [$ordered[0], 'answer']),
                'link' => 'Its answer',
            ]);
    }

    public function order(int $order, string $part, RefundList $refunds): Response
    {
        $xml = $refunds->orderFile($order, $part);

        return $xml === '' ? abort(404) : Download::send($xml, "payment-order-{$order}-{$part}.xml", 'application/xml');
    }

    private static function read(Request $request): RefundRequest
    {
        $way =
            PaymentWay::tryFrom($request->string('way')->toString()) ??
            throw new Refusal('Choose how it is paid back: by transfer, by cheque or in cash.');

        return new RefundRequest($way, Day::of($request->string('date')->toString()), $request->string('reason')->toString());
    }

    /** The voucher of a refund, which names what it pays back. */
    public function paper(int $item, RefundList $refunds): Response
    {
        $refund = $refunds->ofItem($item) ?? abort(404);

        return Paper::pdf(
            'refunds.paper',
            ['refund' => $refund],
            "refund-{$refund->document}",
        );
    }
}
