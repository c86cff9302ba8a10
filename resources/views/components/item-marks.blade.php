@props(['item', 'discount' => 0, 'taken' => false, 'offered' => false, 'decision' => null, 'contested' => []])
@php use Ajuste\Core\Money\Money; @endphp
@if ($discount > 0)<label class="inline-flex gap-1 items-center ml-2"><input type="checkbox" name="discount[{{ $item->id }}]" value="1" @checked($taken)>less {{ Money::ofMinor($discount, $item->open->currency)->grouped() }} discount</label>
@elseif ($offered)<span class="slate ml-2">{{ $item->terms }}</span>@endif
@if ($decision)<span class="tag ml-1" title="{{ $decision->reason }}">discount {{ $decision->choice->words() }}</span>@endif
@foreach ($contested as $amount)<span class="tag ochre ml-1" title="{{ $amount->reason }}, {{ $amount->owner }}">{{ $amount->amount->grouped() }} contested</span>@endforeach
