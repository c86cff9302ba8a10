<?php

declare(strict_types=1);

namespace Ajuste\Core\Exchange\Bank;

use Ajuste\Core\Refusal;
use DOMDocument;
use DOMElement;
use DOMNode;
use DOMXPath;

/** An ISO 20022 message. Document types are refused in every encoding, so that no entity, near or far, is ever used. */
final readonly class XmlMessage
{
    private function __construct(private DOMXPath $path) {}

    /**
     * @param string $what it should be, in the words of a refusal
     *
     * @throws Refusal when it is no well-formed XML or declares a document type
     */
    public static function load(string $text, string $what): self
    {
        $document = new DOMDocument();
        $before = libxml_use_internal_errors(true);
        $loaded = $text !== '' && $document->loadXML($text, LIBXML_NONET | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if ($document->doctype !== null || preg_match('/<!DOCTYPE|<!ENTITY/i', $text) === 1) {
            throw new Refusal("The {$what} declares a document type. Messages of a bank do not, and such files are not opened.");
        }
        if (! $loaded) {
            throw new Refusal(
                "The {$what} is not well-formed XML".
                    ($error === false ? '.' : " (line {$error->line}: ".trim($error->message).').').
                    ' Ask the bank for it again.',
            );
        }

        return new self(new DOMXPath($document));
    }

    public function text(DOMElement $of, string $where): string
    {
        return trim(($this->all($where, $of)[0] ?? null)->textContent ?? '');
    }

    /**
     * @param string $where names of elements, one within the other, such as `RmtInf/Ustrd`; or a query that begins with a slash
     * @return list<DOMElement>
     */
    public function all(string $where, ?DOMNode $of = null): array
    {
        $query = str_starts_with($where, '/')
            ? $where
            : implode('/', array_map(static fn (string $name): string => "*[local-name()=\"{$name}\"]", explode('/', $where)));
        $found = $this->path->query($query, $of);
        $elements = [];
        foreach ($found === false ? [] : $found as $node) {
            if ($node instanceof DOMElement) {
                $elements[] = $node;
            }
        }

        return $elements;
    }
}
