<?php

declare(strict_types=1);

/* Changes that no test can see, and why. Named as the run names them: file, line, what becomes what. */

$assertion = 'assertions are for readers and do not run';
$places = 'places need only differ from each other';
$keys = 'only the keys of the array are read';
$set = 'only whether it is there is asked';
$words = 'words, and whole numbers, are the same however strictly they are compared';
$steps = 'it changes how much is looked at, and not what is found';
$order = 'two lines of a ledger are never at the same place of its order';
$discarded = 'the tax is not read; the call refuses what is no rate';

return [
    'core/Exchange/Foreign/ForeignQuestions.php: $same = array_keys($headings, $headings[$column] ?? \'\', true);'
        .' | true to false' => $words,
    'core/Exchange/Foreign/ForeignQuestions.php: if (count($same) > 1 && self::differ($rows, $same)) {'
        .' | > to >=' => 'a column does not differ from itself',
    'core/Exchange/Foreign/KindWords.php: if (count($seen) < 5_000) { | 5_000 to 6' => $steps,
    'core/Exchange/Foreign/TradeWords.php: if (count($seen) < 5_000) { | 5_000 to 6' => $steps,
    'core/Exchange/Foreign/KindWords.php: if (count($seen) < 5_000) { | < to <=' => $steps,
    'core/Exchange/Foreign/TradeWords.php: if (count($seen) < 5_000) { | < to <=' => $steps,
    'core/Proposal/ReferenceReader.php: $bare[self::bare($plain)] = true; | true to false' => $keys,
    'core/Proposal/PayerRecognition.php: $this->byWord[$word][$profile->customerId] = true; | true to false' => $keys,
    'core/Exchange/Bank/Mt940Reader.php: in_array($part[3], [\'C\', \'RD\'], true) ? $amount : $amount->negated(),'
        .' | true to false' => $words,
    'core/Exchange/Mapping.php: return in_array($text, $field->choices, true) | true to false' => $words,
    'core/Bank/BankAgainstBook.php: in_array($posting->amount->minor, $this->elsewhere, true) => Likely::WrongAccount,'
        .' | true to false' => $words,
    'core/Settlement/DepositShare.php: if ($net > 0 && $net <= $this->deposit->takeable->minor && '.
    '$this->share($this->whole, $net) === $gross->minor) { | > to >=' => 'a share of nothing is nothing, and the gross is above zero',
    'core/Proposal/CombinationSearch.php: $most = array_sum(array_map(static fn (Candidate $item): int => '.
    'max(0, $item->gross()), $candidates)); | 0 to 1' => 'it changes how much is looked at, and not what is found',
    'core/Presentation/PresentationPlan.php: if ($this->voucher === null || $this->mirror === null) {'
        .' | || to &&' => 'both are there, or neither',
    'core/Settlement/Reductions.php: assert($reason->account !== null); | !== to ===' => $assertion,
    'core/Settlement/Matching.php: $seen[$tick->item->id] = true; | true to false' => $set,
    'core/Proof/Proof.php: $taken[$posting->id] = true; | true to false' => $set,
    'core/Proposal/Proposer.php: $seen = [self::key($proposal) => true]; | true to false' => $set,
    'core/Proposal/ReferenceReader.php: $whole[$plain] = true; | true to false' => $keys,
    'core/Proposal/RemittanceAdvice.php: $rest = array_diff_key($amounts, [$place => 0]); | 0 to 1' => $keys,
    'core/Proposal/RemittanceHeading.php: return isset($columns[\'document\']) && array_intersect_key($columns, '
        .'[\'gross\' => 0, \'paid\' => 0, \'deduction\' => 0]) !== [] | 0 to 1' => $keys,
    'core/Subledger/ExchangeCover.php: $isSettled = static fn (BaseDifference $difference): bool => '
        .'in_array($difference->sourceId, $settled, true); | true to false' => $words,
    'core/Money/Rounding.php: $sign = $whole < 0 ? -1 : 1; | < to <=' => 'nothing has no sign',
    'core/Proof/CauseNamer.php: return $small > 0 && $power === $large; | > to >=' => 'two that are both nothing do not differ',
    'core/Proposal/PayerRecognition.php: return $ranked !== [] && $ranked[0]->score >= self::SURE && '
        .'$ranked[0]->score > ($ranked[1]->score ?? 0); | 0 to 1' => 'a sure score is far above both',
    'core/Posting/PostingPlan.php: private const WORDS = [\'reason\' => true, \'description\' => true, \'text\' => true]; | '
        .'true to false' => $keys,
    'core/Proposal/ReferenceReader.php: $whole[$before.$plain] = true; | true to false' => $keys,
    'core/Settlement/TakenDiscounts.php: $gives = in_array($tick->item->id, $giving, true) && $of->missing->isPositive(); | '
        .'true to false' => $words,
    'core/Proposal/BankConfirmation.php: if ($other->id !== $line->id && ! isset($found[$other->id]) && '
        .'in_array($mine[0], $passes($other), true)) { | true to false' => 'two postings never have one key',
    'core/Proof/CauseNamer.php: if ($ledger > 0 === $subledger > 0) { | > to >=' => 'digits of nothing are neither exchanged nor shifted',
    'core/Proposal/PayerRecognition.php: $best = 0; | 0 to 1' => 'a score below fifty is dropped',
    'core/Proposal/PayerRecognition.php: return count($words) < 2 || $text === [] ? 0 : (int) round((85 * '
        .'count(array_intersect($words, $text))) / count($words)); | 0 to 1' => 'a score below fifty is dropped',
    'core/Proposal/PayerRecognition.php: return $one === [] || $other === [] ? 0 : (int) round((200 * '
        .'count(array_intersect($one, $other))) / (count($one) + count($other))); | 0 to 1' => 'a score below fifty is dropped',
    'core/Proposal/PayerRecognition.php: return $one === [] || $other === [] ? 0 : (int) round((200 * '
        .'count(array_intersect($one, $other))) / (count($one) + count($other))); | || to &&' => 'of no words none are in common',
    'core/Settlement/ReceiptPlan.php: assert($items !== []); | !== to ===' => $assertion,
    'core/Settlement/ReceiptPlan.php: assert($lines !== []); | !== to ===' => $assertion,
    'core/Settlement/CreditNote.php: assert($credited !== []); | !== to ===' => $assertion,
    'core/Proposal/RemittanceAdvice.php: if ($kept !== 0 && abs($kept) < $gross && in_array($gross - abs($kept), $rest, true)) { | '
        .'true to false' => $words,
    'core/Money/Rounding.php: return $up && $rest !== 0 '
        .'? $whole + (($product < 0) === ($denominator < 0) ? 1 : -1) : '
        .'$whole; | < to <=' => 'a product of nothing has no rest, and nothing is divided by nothing',
    'core/Money/Rounding.php: $fits = max($amount, $numerator) <= self::ROOT && '
        .'min($amount, $numerator) >= -self::ROOT; | <= to <' => 'both ways give the same quotient',
    'core/Exchange/Foreign/PlainWords.php: if (count($seen) < 5_000) { | 5_000 to 6' => 'how much is remembered changes no word',
    'core/Exchange/TableComparison.php: $times[$name] = ($times[$name] ?? 0) + 1; | + to -' => $places,
    'core/Exchange/TableComparison.php: $times[$name] = ($times[$name] ?? 0) + 1; | 1 to 2' => $places,
    'core/Exchange/TableComparison.php: $times[$name] = ($times[$name] ?? 0) + 1; | 0 to 1' => $places,
    'core/Proposal/CombinationSearch.php: static fn (Candidate $item): bool => $least - min(0, $item->net()) + $item->net() <= '
        .'$target && | - to +' => $steps,
    'core/Proposal/CombinationSearch.php: $most - max(0, $item->gross()) + $item->gross() >= $target, | - to +' => $steps,
    'core/Proof/Pairing.php: if ($line->twin !== null && ($line->twin->paired || ProofLine::order($line->twin, $line) < 0)) {'
        .' | < to <=' => $order,
    'core/Proof/Pairing.php: if ($line->twin !== null && ($line->twin->paired || ProofLine::order($line->twin, $line) < 0)) {'
        .' | 0 to 1' => $order,
    'core/Proposal/CreditorReference.php: for ($count = count($words); $count > 0; $count--) { | > to >=' => 'no words make no reference',
    'core/Exchange/Bank/Mt940Reader.php: $year = (int) substr($valueDate, 0, 4); | 4 to 5' => 'the dash after a year is none of it',
    'core/Proof/AmountFinder.php: if ($left < 1 || $left > 9) { | 9 to 10' => 'what ends in nought was divided by ten before',
    'core/Settlement/CreditedLine.php: TaxRelief::atRate(0, $rate === \'\' ? \'0\' : $rate); | 0 to 1' => $discarded,
    'core/Exchange/Foreign/ForeignGuess.php: return $seen === 0 ? ! in_array($field, [\'document\', \'customer\', \'date\','
        .' \'account\'], true) : $good >= $seen * self::FITS; | true to false' => $words,
    'core/Exchange/Foreign/ForeignRow.php: return $this->mapping->kind === FileKind::Customers && in_array($field, [\'name\','
        .' \'currency\'], true); | true to false' => $words,
];
