<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\KeptFiles;
use App\Support\Pdf;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Smalot\PdfParser\Parser;

/** Whose papers they are: name, address, picture and foot, as they hold on the day of the paper. */
final class LetterheadTest extends BooksTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->importBasics();
        $this->actingAs($this->person());
    }

    /** @param  array<string, mixed>  $more */
    private function keep(string $of, string $value, array $more = []): string
    {
        $this->post('/policies', ['key' => bin2hex(random_bytes(4)), 'of' => $of, 'value' => $value, 'reason' => 'new paper', ...$more]);
        $says = session('refusal');

        return is_string($says) ? $says : '';
    }

    private static function text(string $pdf): string
    {
        return (string) preg_replace('/\s+/', ' ', (new Parser)->parseContent($pdf)->getText());
    }

    public function test_papers_bear_what_holds_on_their_day(): void
    {
        self::assertSame('', $this->keep('books_name', 'Molino Alto'));
        self::assertSame('', $this->keep('firm_address', 'Calle de la Muela 1; 00000 Ninguna Parte', ['from' => '2026-10-01']));
        self::assertSame('', $this->keep('paper_footer', 'Registered nowhere; tax number ES-X0000000', ['from' => '2026-10-01']));
        self::assertSame('', $this->keep('firm_address', 'Calle Nueva 2', ['from' => '2026-11-01']));
        $paper = fn (string $day): string => self::text(Pdf::of('blank-paper', [], $day));
        view()->addLocation(dirname(__DIR__).'/fixtures/views');
        self::assertStringContainsString('Molino Alto Calle de la Muela 1 00000 Ninguna Parte', $paper('2026-10-31'));
        self::assertStringContainsString('Registered nowhere tax number ES-X0000000', $paper('2026-10-31'));
        self::assertStringContainsString('Molino Alto Calle Nueva 2', $paper('2026-11-30'));
        self::assertStringNotContainsString('Calle', $paper('2026-09-30'));
        self::assertStringContainsString('Ninguna Parte', $paper(''), 'without a day of its own: as it holds in the period being closed');
        $statement = (string) $this->get('/aged.pdf')->assertOk()->getContent();
        self::assertStringContainsString('Calle de la Muela 1', self::text($statement));
    }

    public function test_a_picture_is_taken_in_kept_and_shown_and_what_is_none_is_refused(): void
    {
        $picture = UploadedFile::fake()->image('logo.png', 120, 40);
        self::assertSame('', $this->keep('paper_logo', '', ['logo' => $picture]));
        $digest = (string) DB::table('settings')->where('name', 'paper_logo')->value('value');
        self::assertTrue(KeptFiles::isWhole($digest));
        $this->get('/policies?of=paper_logo')->assertOk()->assertSee('picture '.substr($digest, 0, 8));
        self::assertStringContainsString('/Subtype /Image', (string) $this->get('/aged.pdf')->getContent());
        foreach ([
            UploadedFile::fake()->createWithContent('logo.png', '<svg onload="alert(1)"/>'),
            UploadedFile::fake()->image('logo.gif', 10, 10),
            UploadedFile::fake()->createWithContent('logo.png', file_get_contents($picture->getPathname()).str_repeat('x', 600_000)),
        ] as $wrong) {
            self::assertStringContainsString('PNG or JPEG', $this->keep('paper_logo', '', ['logo' => $wrong]));
        }
        self::assertSame('', $this->keep('paper_logo', ''));
        $last = DB::table('settings')->where('name', 'paper_logo')->orderByDesc('id')->value('value');
        self::assertSame('', $last, 'none takes it off');
        unlink(KeptFiles::path($digest));
        $this->get('/aged.pdf')->assertOk();
        self::assertStringContainsString('300 characters', $this->keep('firm_address', str_repeat('x', 301)));
        $this->import(['settings.csv' => "name,value\npaper_logo,../../etc/passwd\n"]);
        self::assertSame(0, DB::table('settings')->where('value', 'like', '%passwd%')->count());
    }
}
