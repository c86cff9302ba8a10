<?php

declare(strict_types=1);

namespace App\Values;

/** What came of something that a second person may have to approve: it was posted, or asked for. */
final readonly class PostedOrAsked
{
    private function __construct(public ?int $result, public ?int $request) {}

    /** @param  int  $result the key of what the posting is about */
    public static function posted(int $result): self
    {
        return new self($result, null);
    }

    /** @param  int  $request the number of the request */
    public static function asked(int $request): self
    {
        return new self(null, $request);
    }
}
