<?php

declare(strict_types=1);

namespace App\Queries;

use Ajuste\Core\Exchange\LateEffect;
use Ajuste\Core\Money\Currency;
use stdClass;

/** What waits of one document or entry. */
final class LateNewsItem
{
    public int $rows = 0;

    public LateEffect $effect;

    /** @param  stdClass  $row the first of its rows, with `file` and `import_id` */
    public function __construct(public readonly stdClass $row, Currency $base)
    {
        $this->effect = LateEffect::none($base);
    }

    public function add(LateEffect $effect): void
    {
        $this->rows++;
        $this->effect = $this->effect->plus($effect);
    }
}
