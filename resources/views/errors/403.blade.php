@include('refusal', [
    'message' => $exception->getMessage() !== '' && $exception->getStatusCode() === 403 ? $exception->getMessage() : 'This is not open to you.',
])
