<svg width="18" height="10" viewBox="0 0 18 10" aria-hidden="true">
    <path d="M0 5h6M12 5h6" stroke="#616c6f" />
    <rect x="6.5" y="1.5" width="5" height="7" fill="#90bfaa" stroke="#1b5e4b" />
</svg>
