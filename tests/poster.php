<?php

declare(strict_types=1);

/*
 * A process of its own that posts random matches into the books of a test: php poster.php FOLDER SEED POSTS. Prints a line for each try:
 * `posted`, or `told: ` and what the refusal says.
 */

use Ajuste\Core\Refusal;
use App\Actions\ReverseSettlement;
use App\Actions\SettleItems;
use App\Queries\Settings;
use App\Values\MatchRequest;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;

[, $folder, $seed, $posts] = $argv;
putenv("AJUSTE_BOOKS={$folder}/books.sqlite");
$_ENV['AJUSTE_BOOKS'] = $_SERVER['AJUSTE_BOOKS'] = "{$folder}/books.sqlite";
require dirname(__DIR__).'/vendor/autoload.php';
$app = require dirname(__DIR__).'/bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
mt_srand((int) $seed);
$ids = DB::table('items')->whereNotNull('import_file_id')->pluck('root_id', 'document')->all();
$customer = (int) DB::table('customers')->where('customer', 'C3')->value('id');
$control = app(Settings::class)->controlAccount();
echo "ready\n";
for ($n = 0; $n < (int) $posts; $n++) {
    try {
        if (
            mt_rand(0, 9) === 0 &&
            ($settlement = DB::table('settlements')->inRandomOrder()->value('id')) !== null &&
            ! DB::table('match_reversals')->join('matches', 'matches.id', '=', 'match_id')->where('settlement_id', $settlement)->exists()
        ) {
            app(ReverseSettlement::class)->post("{$seed}-r{$n}", (int) $settlement, '2026-10-31', 'test');
        } else {
            $request = new MatchRequest($customer, [
                $ids['I'.mt_rand(0, 59)] => null,
                $ids['R'.mt_rand(0, 59)] => null,
                $ids['I'.mt_rand(0, 59)] => null,
            ]);
            $seen = app(SettleItems::class)->rehearse($request, $control);
            app(SettleItems::class)->post("{$seed}-{$n}", $request, $control, $seen->digest());
        }
        echo "posted\n";
    } catch (Refusal $refusal) {
        echo 'told: '.$refusal->getMessage()."\n";
    }
}
