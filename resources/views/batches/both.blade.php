@if (session('refusal') && old('who') !== null)
    <label class="flex gap-1 items-center pb-2"><input type="checkbox" name="both" value="1"> both are meant</label>
@endif
