<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Refusal;

/** Who collects. */
final readonly class Creditor
{
    public string $identifier;

    /**
     * @param string $account number of the account that the money comes to
     *
     * @throws Refusal when the creditor identifier is missing or does not hold
     */
    public function __construct(public string $name, public string $account, string $identifier)
    {
        if (! CreditorIdentifier::isValid($identifier)) {
            throw Refusal::setup(
                $identifier === ''
                    ? 'Your creditor identifier is not known. Name it as creditor_identifier in settings.csv.'
                    : "The creditor identifier \"{$identifier}\" does not hold. Correct creditor_identifier in settings.csv.",
            );
        }
        $this->identifier = Iban::plain($identifier);
    }
}
