<?php

declare(strict_types=1);

namespace App\Support;

use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Support\Facades\View;

/** A view as PDF. Nothing is fetched from anywhere while it is made; what says the same is the same to the byte if it bears a day. */
final class Pdf
{
    /**
     * @param view-string $view
     * @param array<string, mixed> $data
     * @param string $dated the day that it bears as its date; blank: the moment at which it is made
     */
    public static function of(string $view, array $data, string $dated = ''): string
    {
        $dompdf = new Dompdf(new Options([
            'isRemoteEnabled' => false,
            'isPhpEnabled' => false,
            'isJavascriptEnabled' => false,
            'defaultFont' => 'DejaVu Sans',
            'chroot' => resource_path('views'),
            'tempDir' => sys_get_temp_dir(),
            'fontCache' => sys_get_temp_dir(),
            'isFontSubsettingEnabled' => true,
        ]));
        $dompdf->setPaper('A4');
        View::share('paperDay', $dated); // the letterhead is that of the day
        $dompdf->loadHtml(view($view, $data)->render(), 'UTF-8');
        foreach ($dated === '' ? [] : ['CreationDate', 'ModDate'] as $field) {
            $dompdf->addInfo($field, 'D:'.str_replace('-', '', $dated).'000000Z');
        }
        $dompdf->render();
        $pdf = (string) $dompdf->output();

        return $dated === '' ? $pdf : self::named($pdf);
    }

    /** The file's own identifier, which is made at random, is taken from what it says instead. */
    private static function named(string $pdf): string
    {
        $blank = (string) preg_replace('~/ID\s?\[<[0-9a-f]{32}><[0-9a-f]{32}>\]~i', '/ID[<>]', $pdf);
        $name = substr(hash('sha256', $blank), 0, 32);

        return (string) preg_replace('~(/ID\s?\[)<[0-9a-f]{32}><[0-9a-f]{32}>\]~i', "$1<{$name}><{$name}>]", $pdf);
    }
}
