@include('refusal', [
    'message' =>
        $exception->getMessage() !== '' && $exception->getStatusCode() === 403
            ? $exception->getMessage()
            : 'The page was open too long. Load it again; what was posted before stays posted.',
])
