<?php

declare(strict_types=1);

namespace App\Support;

use App\Queries\Settings;
use Illuminate\Support\ServiceProvider;

final class AjusteServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(Settings::class);
        $this->app->scoped(Actor::class, static fn (): Actor => Actor::current());
    }
}
