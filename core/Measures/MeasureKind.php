<?php

declare(strict_types=1);

namespace Ajuste\Core\Measures;

/** How fast money comes in (R15). */
enum MeasureKind: string
{
    case Dso = 'dso';
    case DsoCountBack = 'dso_count_back';
    case BestPossibleDso = 'best_possible_dso';
    case AverageDaysLate = 'average_days_late';
    case CollectionEffectiveness = 'collection_effectiveness';

    public function words(): string
    {
        return match ($this) {
            self::Dso => 'Days sales outstanding',
            self::DsoCountBack => 'Days sales outstanding, counted back',
            self::BestPossibleDso => 'Best possible days sales outstanding',
            self::AverageDaysLate => 'Average days late',
            self::CollectionEffectiveness => 'Collection effectiveness, %',
        };
    }

    public function formula(): string
    {
        return match ($this) {
            self::Dso => 'balance ÷ credit sales × days',
            self::DsoCountBack => 'days of the latest months whose sales make the balance, the earliest in proportion',
            self::BestPossibleDso => 'not due ÷ credit sales × days',
            self::AverageDaysLate => 'sum of (days from due date to payment × amount paid) ÷ sum of amounts paid',
            self::CollectionEffectiveness => '(opening + sales − closing total) ÷ (opening + sales − closing current) × 100',
        };
    }
}
