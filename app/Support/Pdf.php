<?php

declare(strict_types=1);

namespace App\Support;

use Dompdf\Dompdf;
use Dompdf\Options;

/** A view as PDF. Nothing is fetched from anywhere while it is made. */
final class Pdf
{
    /**
     * @param view-string $view
     * @param array<string, mixed> $data
     */
    public static function of(string $view, array $data): string
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
        $dompdf->loadHtml(view($view, $data)->render(), 'UTF-8');
        $dompdf->render();

        return (string) $dompdf->output();
    }
}
