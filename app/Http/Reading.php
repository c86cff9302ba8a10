<?php

declare(strict_types=1);

namespace App\Http;

use Ajuste\Core\Exchange\Field;
use Ajuste\Core\Exchange\Foreign\ForeignQuestions;
use Ajuste\Core\Exchange\Habit;
use Ajuste\Core\Exchange\Mapping;

/** How a file that was handed in is read, for a person to check. */
final readonly class Reading
{
    /**
     * @param list<list<string>> $head its first lines
     * @param bool $needsAPerson it cannot be read before someone says how
     */
    public function __construct(public string $name, public array $head, public Mapping $mapping, public bool $needsAPerson) {}

    /** What a person corrects is a list of another system, unless it is in the house format. */
    public function habit(): Habit
    {
        return $this->needsAPerson ? Habit::Foreign : $this->mapping->habit;
    }

    /** @return array<string, array{string, bool}> what it is called, and whether a row needs it; by field */
    public function fields(): array
    {
        $fields = array_map(
            static fn (Field $field): array => [$field->name, $field->required && ! $field->mayBeBlank],
            $this->mapping->kind->fields(),
        );
        foreach ($this->habit() === Habit::Foreign ? $this->mapping->kind->foreignFields() : [] as $name) {
            $fields[$name] = [
                match ($name) {
                    '+open' => 'what is open of it',
                    '+marker' => 'debit or credit in letters',
                    '+above' => 'customer, in a line above its rows',
                    'name' => 'name of the customer',
                    default => "{$name}, in a column of its own",
                },
                false,
            ];
        }

        return $fields;
    }

    /** @return array<string, string> the words for kinds of documents that are not known, or that a person gave a meaning; by the word */
    public function words(): array
    {
        $unknown = ForeignQuestions::unknownKinds($this->mapping, array_slice($this->head, $this->mapping->headerRow));

        return $this->mapping->words + array_fill_keys($unknown, '');
    }

    /** @return list<string> */
    public function headings(): array
    {
        return $this->head[$this->mapping->headerRow - 1] ?? [];
    }

    /** @return list<list<string>> some rows below the headings */
    public function sample(): array
    {
        return array_slice($this->head, $this->mapping->headerRow, 4);
    }
}
