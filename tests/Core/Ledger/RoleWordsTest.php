<?php

declare(strict_types=1);

namespace Tests\Core\Ledger;

use Ajuste\Core\Ledger\AccountRole;
use Ajuste\Core\Ledger\RoleWords;
use PHPUnit\Framework\TestCase;

/** The words are common practice, from memory. */
final class RoleWordsTest extends TestCase
{
    public function test_each_role_is_proposed_once_and_none_that_an_account_has(): void
    {
        $names = ['10' => 'Allowance for doubtful debts', '11' => 'Wertberichtigung', '40' => 'Sales', '41' => 'Rent'];
        self::assertSame(['10' => AccountRole::Allowance, '40' => AccountRole::Revenue], RoleWords::each($names, []));
        self::assertSame(['40' => AccountRole::Revenue], RoleWords::each($names, ['allowance']));
    }
}
