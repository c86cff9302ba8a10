@include('refusal', [
    'message' => $exception->getMessage() !== '' && $exception->getStatusCode() === 403 ? $exception->getMessage() : 'There is nothing at this address.',
])
