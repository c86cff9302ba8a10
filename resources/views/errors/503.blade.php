@include('refusal', [
    'message' =>
        $exception->getMessage() !== '' && $exception->getStatusCode() === 403
            ? $exception->getMessage()
            : 'Ajuste is being looked after. Try again in a minute.',
])
