import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

const config = tseslint.config(
  { ignores: ['.next/', '.cache/', '.lantern/', 'next-env.d.ts', 'drizzle/'] },
  ...next,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.recommendedTypeChecked],
    languageOptions: {
      parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      '@typescript-eslint/no-unnecessary-type-assertion': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'window', 'document', 'fetch', 'setTimeout'],
      'no-restricted-properties': [
        'error',
        {
          object: 'Math',
          property: 'random',
          message: 'core is pure: randomness comes in as an argument',
        },
        { object: 'Date', property: 'now', message: 'core is pure: time comes in as an argument' },
      ],
    },
  },
);

export default config;
