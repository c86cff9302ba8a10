@include('refusal', [
    'message' =>
        $exception->getMessage() !== '' && $exception->getStatusCode() === 403
            ? $exception->getMessage()
            : 'Something went wrong on our side. Nothing was posted by this request; try again.',
])
