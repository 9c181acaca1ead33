import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  // A class is named after the file and the class, so that it can be told from one of the same name elsewhere, in tests too.
  css: { modules: { localsConvention: 'camelCaseOnly', generateScopedName: '[name]__[local]' } },
  resolve: { conditions: ['development', 'module', 'browser', 'import', 'default'] },
  // The page's security policy takes files of this server only: nothing is put inline.
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  server: { proxy: { '/api': 'http://127.0.0.1:4310' } },
});
