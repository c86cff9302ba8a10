@props(['name', 'value' => ''])
<input {{ $attributes }} type="text" name="{{ $name }}" value="{{ $value }}" placeholder="YYYY-MM-DD" pattern="\d{4}-\d{2}-\d{2}"
    title="Year, month and day, such as 2026-10-31" maxlength="10" size="10" autocomplete="off">
