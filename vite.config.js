import tailwindcss from '@tailwindcss/vite';
import laravel from 'laravel-vite-plugin';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [laravel({ input: ['resources/css/app.css', 'resources/js/app.js'] }), tailwindcss()],
    // htmx carries an eval that allowEval = false and the content security policy keep shut.
    build: { assetsInlineLimit: 0, rolldownOptions: { checks: { eval: false } } },
});
