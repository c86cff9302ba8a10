<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Setting;
use App\Queries\Settings;
use App\Support\KeptFiles;
use Illuminate\Support\Facades\View as Views;
use Illuminate\View\View;

/** Name, address, picture and foot of papers, as they hold on the day of the paper; where it bears none, now. */
final readonly class Letterhead
{
    public function __construct(private Settings $settings) {}

    public function compose(View $view): void
    {
        $day = Views::shared('paperDay', '');
        $inForce = is_string($day) && $day !== '' ? $this->settings->on($day) : $this->settings->now();
        $view->with([
            'firm' => $inForce->text(Setting::BooksName),
            'address' => self::lines($inForce->text(Setting::FirmAddress)),
            'footer' => self::lines($inForce->text(Setting::PaperFooter)),
            'logo' => self::picture($inForce->text(Setting::PaperLogo)),
        ]);
    }

    /** @return list<string> */
    private static function lines(string $text): array
    {
        return array_values(array_filter(array_map(trim(...), explode(';', $text)), static fn (string $line): bool => $line !== ''));
    }

    /** The picture itself, since nothing is fetched while a paper is made; blank where there is none, or its file is not what it was. */
    private static function picture(string $digest): string
    {
        if ($digest === '' || ! KeptFiles::isWhole($digest)) {
            return '';
        }
        $path = KeptFiles::path($digest);

        return 'data:'.mime_content_type($path).';base64,'.base64_encode((string) file_get_contents($path));
    }
}
