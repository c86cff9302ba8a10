<svg width="30" height="14" viewBox="0 0 30 14" aria-hidden="true">
    <rect x="0.75" y="0.75" width="28.5" height="12.5" rx="6.25" fill="#d9e8df" stroke="#1b5e4b" stroke-width="1.5" />
    <ellipse cx="15" cy="7" rx="4" ry="3.2" fill="#1b5e4b" />
    <path d="M9.5 1v12M20.5 1v12" stroke="#1b5e4b" />
</svg>
