const tokens = require('./src/ui/theme/tokens.json');

/** "#F3EEE4" as the CSS variable value "243 238 228". */
const channels = (hex) => [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(' ');
const variables = (palette) =>
  Object.fromEntries(Object.entries(palette).map(([name, hex]) => [`--${name}`, channels(hex)]));

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./src/**/*.{ts,tsx}'],
  presets: [require('nativewind/preset')],
  theme: {
    colors: {
      transparent: 'transparent',
      ...Object.fromEntries(
        Object.keys(tokens.light).map((name) => [name, `rgb(var(--${name}) / <alpha-value>)`]),
      ),
    },
    fontSize: {
      14: ['14px', '20px'],
      16: ['16px', '24px'],
      18: ['18px', '26px'],
      22: ['22px', '28px'],
      30: ['30px', '36px'],
      44: ['44px', '48px'],
      64: ['64px', '64px'],
    },
    fontFamily: {
      words: ['Next400', 'system-ui', 'sans-serif'],
      'words-semi': ['Next600', 'system-ui', 'sans-serif'],
      'words-bold': ['Next700', 'system-ui', 'sans-serif'],
      digits: ['Mono500', 'ui-monospace', 'monospace'],
      'digits-bold': ['Mono700', 'ui-monospace', 'monospace'],
    },
    extend: {},
  },
  plugins: [
    ({ addBase, addVariant }) => {
      const { light, dark, moreContrast } = tokens;
      addBase({ ':root': variables(light), '[data-theme="dark"]': variables(dark) });
      addBase({
        '@media (prefers-contrast: more)': {
          ':root': variables(moreContrast.light),
          '[data-theme="dark"]': variables(moreContrast.dark),
        },
      });
      // A window that is low, as at 400 % or with the phone across: what stands above and below takes less of it.
      addVariant('low', '@media (max-height: 420px)');
    },
  ],
};
