@props(['offset'])
<svg width="92" height="16" viewBox="0 0 92 16" role="img"
    aria-label="{{ $offset == 0 ? 'level' : ($offset > 0 ? 'more in the control account' : 'more with the customers') }}">
    <rect x="0.5" y="0.5" width="91" height="15" rx="7.5" fill="#2f3b3d" stroke="#77948a" />
    <ellipse cx="{{ 46 + 35 * $offset }}" cy="8" rx="9" ry="5.5" fill="{{ $offset == 0 ? '#bfe3cf' : '#f2a79c' }}" />
    <path d="M35 1v14M57 1v14" stroke="#9db5ac" />
</svg>
