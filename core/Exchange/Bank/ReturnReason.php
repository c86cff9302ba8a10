<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

/** Why a payment came back, by the codes of ISO 20022's external code set for returns (from memory). */
enum ReturnReason: string
{
    case IncorrectAccount = 'AC01';
    case ClosedAccount = 'AC04';
    case BlockedAccount = 'AC06';
    case NotConsumer = 'AC13';
    case Forbidden = 'AG01';
    case WrongCode = 'AG02';
    case NoFunds = 'AM04';
    case Twice = 'AM05';
    case NoMandate = 'MD01';
    case MandateData = 'MD02';
    case RefundAsked = 'MD06';
    case Died = 'MD07';
    case NoReason = 'MS02';
    case AgentNoReason = 'MS03';
    case WrongBank = 'RC01';
    case Regulation = 'RR04';
    case Service = 'SL01';

    public function words(): string
    {
        return match ($this) {
            self::IncorrectAccount => 'the account number is wrong',
            self::ClosedAccount => 'the account is closed',
            self::BlockedAccount => 'the account is blocked',
            self::NotConsumer => 'the account is a consumer\'s',
            self::Forbidden => 'direct debits are not allowed on the account',
            self::WrongCode => 'the kind of payment was wrong',
            self::NoFunds => 'not enough funds',
            self::Twice => 'collected twice',
            self::NoMandate => 'there is no mandate',
            self::MandateData => 'the details of the mandate are missing or wrong',
            self::RefundAsked => 'the payer asked for it back',
            self::Died => 'the payer has died',
            self::NoReason => 'the payer refused it',
            self::AgentNoReason => 'the bank gave no reason',
            self::WrongBank => 'the bank\'s code is wrong',
            self::Regulation => 'regulatory reason',
            self::Service => 'the payer\'s bank was told to',
        };
    }

    /** Whether collecting again under the same mandate would fail again: it needs another account or mandate first. */
    public function endsMandate(): bool
    {
        return in_array($this, [
            self::IncorrectAccount,
            self::ClosedAccount,
            self::BlockedAccount,
            self::NotConsumer,
            self::Forbidden,
            self::NoMandate,
            self::MandateData,
            self::Died,
        ], true);
    }

    /** What a code says, with the code; one that is not listed stands for itself. */
    public static function said(string $code): string
    {
        $reason = self::tryFrom($code);

        return $reason === null ? $code : "{$reason->words()} ({$code})";
    }
}
