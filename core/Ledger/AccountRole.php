<?php

declare(strict_types=1);

namespace Ajuste\Core\Ledger;

/** What an account is used for by the rules of the job. */
enum AccountRole: string
{
    case ReceivablesControl = 'receivables_control';
    case PayablesControl = 'payables_control';
    case CustomerDeposits = 'customer_deposits';
    case Bank = 'bank';
    case Till = 'till';
    case ReceiptsInTransit = 'receipts_in_transit';
    case PaymentsInTransit = 'payments_in_transit';
    case Revenue = 'revenue';
    case SalesReductions = 'sales_reductions';
    case OutputTax = 'output_tax';
    case DiscountsAllowed = 'discounts_allowed';
    case BankCharges = 'bank_charges';
    case ResiduesWrittenOff = 'residues_written_off';
    case ResiduesWrittenBack = 'residues_written_back';
    case ImpairmentLoss = 'impairment_loss';
    case Allowance = 'allowance';
    case ExchangeUnrealisedGain = 'exchange_unrealised_gain';
    case ExchangeUnrealisedLoss = 'exchange_unrealised_loss';
    case ExchangeRealisedGain = 'exchange_realised_gain';
    case ExchangeRealisedLoss = 'exchange_realised_loss';
    case Presentation = 'presentation';
    case CustomersInCredit = 'customers_in_credit';
    case MustClear = 'must_clear';

    /** Whether customers' items stand on accounts of this role. */
    public function carriesCustomers(): bool
    {
        return $this === self::ReceivablesControl || $this === self::CustomerDeposits;
    }
}
