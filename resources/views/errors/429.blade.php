@include('refusal', [
    'message' =>
        $exception->getMessage() !== '' && $exception->getStatusCode() === 403
            ? $exception->getMessage()
            : 'Too many requests. Wait a moment and try again.',
])
