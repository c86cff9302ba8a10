<?php

declare(strict_types=1);

namespace Ajuste\Core;

use DomainException;

/**
 * A rule of the job said no. The message is written for the person at the screen: what was found, where, what was
 * expected and what to do.
 */
class Refusal extends DomainException {}
