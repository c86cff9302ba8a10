<?php

declare(strict_types=1);

namespace App\Actions\Approvals;

use Ajuste\Core\Exchange\Setting;
use Ajuste\Core\Refusal;
use Ajuste\Core\RefusalKind;
use App\Models\User;
use App\Queries\Settings;
use App\Support\Actor;
use Illuminate\Support\Facades\Auth;

/** Who may approve what somebody asked for (R13): a reviewer, never the one who asked; or the outside person that the books name. */
final readonly class SecondPerson
{
    public function __construct(private Settings $settings, private Actor $actor) {}

    /**
     * @param string $asked the one who asked
     * @param string $outside day and evidence of the outside person; blank: whoever is signed in
     * @return string who approves
     *
     * @throws Refusal when it is not one of them
     */
    public function approving(string $asked, string $outside): string
    {
        if (trim($outside) !== '') {
            $named = $this->settings->now()->text(Setting::OutsideReviewer);

            return $named !== ''
                ? "{$named}, by {$this->actor->who}"
                : throw new Refusal('The books name no outside person (outside_reviewer in settings.csv). A reviewer approves.');
        }
        self::refuseOthers();

        return $asked !== $this->actor->who
            ? $this->actor->who.$this->inPlaceOf()
            : throw new Refusal('Nobody approves an own request. Another reviewer does, or the outside person that the books name.');
    }

    private function inPlaceOf(): string
    {
        $reviewer = User::signedIn()->deputyOf();

        return $reviewer === '' ? '' : ", deputy of {$reviewer}";
    }

    /** @throws Refusal where the person is no reviewer: what a deputy does not decide */
    public static function refuseAllButReviewers(User $user): void
    {
        if (! $user->role->mayReview()) {
            throw new Refusal('A reviewer decides this. Ask the reviewer.', RefusalKind::Rights);
        }
    }

    /** @throws Refusal unless a reviewer, or the deputy of one, is signed in */
    public static function refuseOthers(): void
    {
        $user = Auth::user();
        if (! ($user instanceof User) || ! $user->mayReview()) {
            throw new Refusal('A reviewer approves this. Ask the reviewer to look at it.', RefusalKind::Rights);
        }
    }
}
