<?php

declare(strict_types=1);

namespace Ajuste\Core\Posting\Fact;

use Ajuste\Core\Posting\Fact;
use Ajuste\Core\Posting\Ref;

/** A document that another one takes back: the two use each other up, and name each other. */
final readonly class DocumentTakenBack implements Fact
{
    public function __construct(public Ref $document, public Ref $by, public string $date, public string $reason) {}
}
