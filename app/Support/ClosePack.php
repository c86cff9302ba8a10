<?php

declare(strict_types=1);

namespace App\Support;

use Ajuste\Core\Aging\Credits;
use Ajuste\Core\Calendar\AgeBuckets;
use Ajuste\Core\Calendar\AgedBasis;
use Ajuste\Core\Calendar\ContestedIn;
use Ajuste\Core\Money\Currency;
use Ajuste\Core\Pack\Manifest;
use Ajuste\Core\Pack\PackData;
use Ajuste\Core\Pack\PackFigures;
use Ajuste\Core\Refusal;
use Ajuste\Core\SignOff\SignedFigures;
use ErrorException;
use Generator;
use JsonException;
use TypeError;
use ValueError;
use ZipArchive;

/** A close pack that somebody holds: checked with nothing but itself. */
final readonly class ClosePack
{
    /** @param  array<string, string>  $contents by file */
    private function __construct(private array $contents) {}

    /** @throws Refusal when it is no zip */
    public static function open(string $file): self
    {
        $zip = new ZipArchive;
        if (! is_file($file) || $zip->open($file, ZipArchive::RDONLY | ZipArchive::CHECKCONS) !== true) {
            throw new Refusal("“{$file}” is no close pack, or it was cut short.");
        }
        $contents = [];
        for ($place = 0; $place < $zip->numFiles; $place++) {
            $contents[(string) $zip->getNameIndex($place)] = (string) $zip->getFromIndex($place);
        }
        $zip->close();

        return new self($contents);
    }

    /** @return list<string> what was altered, or does not come out, in words */
    public function faults(): array
    {
        try {
            $files = array_diff_key($this->contents, ['manifest.json' => 0]);
            $faults = (new Manifest($this->strings('manifest.json')))->faults(Manifest::of($files));

            return $faults !== [] ? $faults : [...$this->figureFaults(), ...$this->signatureFaults()];
        } catch (JsonException|ErrorException|ValueError|TypeError $problem) {
            return ["One of its files is not as a pack has it: {$problem->getMessage()}."];
        }
    }

    /** @return array<string, string> the signed figures, by name */
    public function figures(): array
    {
        return $this->strings('figures.json');
    }

    /** @return list<string> */
    private function figureFaults(): array
    {
        $policy = $this->strings('policy.json');
        $buckets = AgeBuckets::parse($policy['edges'], AgedBasis::from($policy['basis']), ContestedIn::from($policy['contested']));
        $rule = new PackFigures($policy['as_of'], Currency::of($policy['base']), $buckets, Credits::from($policy['credits']));
        $derived = $rule->of(new PackData(
            $this->rows('data/ledger.csv'), $this->rows('data/items.csv'), $this->rows('data/matches.csv'), $this->rows('data/open.csv'),
        ));

        return (new SignedFigures($derived))->changedSince(new SignedFigures($this->figures()));
    }

    /** @return list<string> */
    private function signatureFaults(): array
    {
        /** @var list<array{who: string, role: string, digest: string, figures: string}> $signatures */
        $signatures = json_decode($this->contents['signatures.json'] ?? '[]', true, flags: JSON_THROW_ON_ERROR);
        $faults = array_filter(
            ['preparer', 'reviewer'],
            static fn (string $role): bool => ! in_array($role, array_column($signatures, 'role'), true),
        );
        $says = array_map(static fn (string $role): string => "The signature of the {$role} is missing.", array_values($faults));
        foreach ($signatures as $of) {
            /** @var array<string, string> $figures */
            $figures = json_decode($of['figures'], true, flags: JSON_THROW_ON_ERROR);
            if ((new SignedFigures($figures))->digest() !== $of['digest']) {
                $says[] = "What {$of['who']} signed is another than the figures beside the signature.";
            }
        }

        return $says;
    }

    /**
     * @return array<string, string>
     *
     * @throws JsonException
     */
    private function strings(string $file): array
    {
        $read = json_decode($this->contents[$file] ?? '', true, flags: JSON_THROW_ON_ERROR);

        return array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', is_array($read) ? $read : []);
    }

    /** @return Generator<int, array<string, string>> */
    private function rows(string $file): Generator
    {
        $stream = fopen('php://temp', 'w+b') ?: throw new Refusal('There is no room to read the pack.');
        fwrite($stream, $this->contents[$file] ?? '');
        rewind($stream);
        $headings = fgetcsv($stream, escape: '');
        while (is_array($headings) && is_array($cells = fgetcsv($stream, escape: ''))) {
            yield array_combine(array_map(strval(...), $headings), array_map(strval(...), $cells));
        }
        fclose($stream);
    }
}
