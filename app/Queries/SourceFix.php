<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Proof\Cause;
use stdClass;

/** One thing that somebody was asked to mend at the source. */
final readonly class SourceFix
{
    public string $causeKey;

    public Cause $cause;

    public string $document;

    public string $customer;

    public string $entry;

    /** Minor units of base currency. */
    public int $amount;

    public string $request;

    public string $who;

    public string $recordedAt;

    /**
     * @param stdClass $row as it is kept
     * @param bool $done the cause is gone, or is another now
     */
    public function __construct(stdClass $row, public bool $done)
    {
        $this->causeKey = $row->cause_key;
        $this->cause = Cause::from($row->cause);
        $this->document = $row->document;
        $this->customer = $row->customer;
        $this->entry = $row->entry;
        $this->amount = $row->amount;
        $this->request = $row->request;
        $this->who = $row->who;
        $this->recordedAt = $row->recorded_at;
    }
}
