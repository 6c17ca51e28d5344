import { fileURLToPath } from 'node:url'
import tailwindcss from '@tailwindcss/vite'
import react from '@vitejs/plugin-react'
import { defineConfig, type Plugin } from 'vite'
import { compression } from 'vite-plugin-compression2'
import { VitePWA } from 'vite-plugin-pwa'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

/** What stands in the page is painted before what takes it over is fetched. */
const paintFirst: Plugin = {
  name: 'paint-first',
  transformIndexHtml: {
    order: 'post',
    handler: (html) => html.replaceAll('<script type="module"', '<script type="module" fetchpriority="low"'),
  },
}

export default defineConfig({
  root: at('./app'),
  publicDir: at('./app/public'),
  resolve: {
    // The scroll lock of dialogs injects a changing <style>, which the CSP forbids: same job over adoptedStyleSheets.
    alias: { 'react-style-singleton': at('./app/ui/styleSingleton.ts') },
  },
  worker: { format: 'es' },
  build: {
    outDir: at('./dist/app'),
    emptyOutDir: true,
    target: 'es2022',
    assetsInlineLimit: 0,
    reportCompressedSize: false,
    // Tells the server what a screen is made of.
    manifest: true,
    // Minified; what counts is what comes over the wire (size-limit).
    chunkSizeWarningLimit: 700,
    rolldownOptions: {
      output: {
        // Few files: each of many costs a phone a millisecond to ask for, and a trip.
        codeSplitting: {
          groups: [
            // Small and by itself, so that it runs while the rest is on its way.
            { name: 'ahead', test: /store\/demoAhead/, priority: 5 },
            { name: 'first', tags: ['$initial'], priority: 4 },
            // What plans, which nearly every screen asks for.
            { name: 'planning', test: /^(?!.*node_modules).*\/core\//, minShareCount: 4, priority: 3 },
            // What one kind of screen has for itself: dates, charts, lines that are put in order by hand.
            { name: 'days', test: /node_modules\/(?:date-fns|d3-time)/, priority: 2 },
            { name: 'charts', test: /node_modules\/d3-/, priority: 2 },
            { name: 'lines', test: /@dnd-kit/, priority: 2 },
            // The other libraries ask for one another while they load: in one file they are there in time.
            { name: 'libraries', test: /node_modules/, minShareCount: 2, priority: 1 },
            // What only two share stands by itself: a plan and its desk, which the others need not bring.
            { name: 'shared', minShareCount: 3, entriesAware: true, entriesAwareMergeThreshold: 60_000 },
          ],
        },
      },
    },
  },
  plugins: [
    react(),
    tailwindcss(),
    paintFirst,
    // Packed once, as tight as can be: a sixth less than in the moment of asking.
    compression({ algorithms: ['brotliCompress'], include: /\.(?:js|css)$/ }),
    VitePWA({
      injectRegister: false,
      registerType: 'prompt',
      manifest: {
        name: 'Uzel',
        short_name: 'Uzel',
        description: 'Paces crochet in rounds to a measured size',
        display: 'standalone',
        background_color: '#E5ECEA',
        theme_color: '#E5ECEA',
        icons: [
          { src: 'icon.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: 'icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'maskable' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/instruments/, /^\/demo\//],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  server: { port: 4181, proxy: { '/instruments': 'http://localhost:4180' } },
})
