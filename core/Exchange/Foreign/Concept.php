<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Foreign;

/** What one word of a heading speaks of. */
enum Concept
{
    case Document;
    case Number;
    case Reference;
    case Order;
    case Customer;
    case Account;
    case Name;
    case Party;
    case Date;
    case Due;
    case Issue;
    case Posting;
    case Value;
    case Currency;
    case CurrencyCode;
    case Amount;
    case Gross;
    case Original;
    case Including;
    case Base;
    case Tax;
    case Net;
    case Open;
    case Balance;
    case Payment;
    case Days;
    case Kind;
    case Debit;
    case Credit;
    case Mark;
    case MoneyIn;
    case MoneyOut;
    case Entry;
    case Text;
    case Bank;
    case Own;
    case Email;
    case Terms;
    case Limit;
    case Country;
    case TaxNumber;
    case Group;
    case Iban;
    case Rate;
    case Trading;
    case Place;
    case Discount;
    case Quantity;

    /** Articles and the like, which say nothing by themselves. */
    case Filler;
}
