<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Calendar\Day;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Money\TypedAmount;
use Ajuste\Core\Refusal;
use Ajuste\Core\Settlement\CreditedLine;
use Ajuste\Core\Settlement\CreditNoteUse;
use Ajuste\Core\Settlement\InvoiceLine;
use App\Models\Customer;
use App\Queries\InvoiceLines;
use App\Queries\Positions;
use App\Queries\Settings;
use App\Values\CreditNoteRequest;

/** Reads the form of a credit note. Here, and only here, its texts become amounts. */
final readonly class CreditNoteForm
{
    /** @param  array<array-key, mixed>  $input what was sent, or was sent before and refused */
    public function __construct(private array $input) {}

    public function isBlank(): bool
    {
        return $this->input === [];
    }

    /** A field of a line of an invoice as typed: quantity, price or net. */
    public function typed(string $field, int $invoice, string $line): string
    {
        $of = ((array) ($this->input[$field] ?? []))[$invoice] ?? [];

        return self::string(((array) $of)[$line] ?? '');
    }

    /** A field of a line of its own as typed: text, account, rate, net or dimension. */
    public function free(string $field, int $place): string
    {
        return self::string(((array) ($this->input["free_{$field}"] ?? []))[$place] ?? '');
    }

    public function text(string $name): string
    {
        return self::string($this->input[$name] ?? '');
    }

    public function settles(): bool
    {
        return $this->isBlank() || $this->text('match') === '1';
    }

    /** @throws Refusal when something typed cannot be read */
    public function request(Customer $customer, Positions $positions, InvoiceLines $lines, Settings $settings): CreditNoteRequest
    {
        $ids = $this->invoices();
        $invoices = $positions->several($ids);
        $code = $this->text('currency') !== '' ? $this->text('currency') : $customer->currency;
        $currency = $invoices === [] ? Currency::of($code) : $invoices[array_key_first($invoices)]->amount->currency;
        $credited = [];
        foreach ($invoices as $id => $invoice) {
            foreach ($lines->of($invoice) as $line) {
                $of = $this->line($line, $id, $currency);
                array_push($credited, ...$of === null ? [] : [$of]);
            }
        }

        return new CreditNoteRequest(
            $customer->id,
            $ids,
            [...$credited, ...$this->ownLines($settings, $currency)],
            $currency,
            Day::of($this->text('date')),
            $this->text('reason'),
            $this->text('match') === '1' ? CreditNoteUse::Settles : CreditNoteUse::StaysUnapplied,
        );
    }

    /** @return list<int> */
    private function invoices(): array
    {
        $ids = [];
        foreach (['quantity', 'price', 'net'] as $field) {
            foreach (array_keys((array) ($this->input[$field] ?? [])) as $id) {
                $ids[(int) $id] = (int) $id;
            }
        }

        return array_values($ids);
    }

    /** What is credited of one line of an invoice; null when nothing is typed. */
    private function line(InvoiceLine $line, int $invoice, Currency $currency): ?CreditedLine
    {
        $typed = [];
        foreach (['quantity', 'price', 'net'] as $field) {
            $typed[$field] = $this->typed($field, $invoice, $line->name);
        }
        $typed = array_filter($typed, static fn (string $text): bool => $text !== '');
        if (count($typed) > 1) {
            throw new Refusal("Line {$line->name}, {$line->description}: type a quantity, a price or an amount, not two of them.");
        }

        $text = (string) reset($typed);

        return $typed === []
            ? null
            : $line->credited(
                match (array_key_first($typed)) {
                    'quantity' => $line->quantity->returned($text, $currency)->minor,
                    'price' => $line->quantity->repriced($text, $currency)->minor,
                    default => TypedAmount::read($text, $currency)->minor,
                },
            );
    }

    /** @return list<CreditedLine> */
    private function ownLines(Settings $settings, Currency $currency): array
    {
        $lines = [];
        foreach (array_keys((array) ($this->input['free_net'] ?? [])) as $place) {
            $place = (int) $place;
            if ($this->free('net', $place) !== '') {
                $account = $settings->accounts()->numbered($this->free('account', $place));
                $net = TypedAmount::read($this->free('net', $place), $currency)->minor;
                $lines[] = CreditedLine::free(
                    $this->free('text', $place),
                    $account,
                    $this->free('rate', $place),
                    $net,
                    $this->free('dimension', $place),
                );
            }
        }

        return $lines;
    }

    private static function string(mixed $value): string
    {
        return is_string($value) ? trim($value) : '';
    }
}
