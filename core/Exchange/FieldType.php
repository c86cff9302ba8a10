<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange;

/** What the text of a field has to be. */
enum FieldType
{
    case Text;
    case Date;
    case Amount;
    case Currency;
    case Number;
    case Choice;
}
