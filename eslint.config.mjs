import next from 'eslint-config-next';
import typescript from 'eslint-config-next/typescript';

const inexact = [
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'sinh',
  'cosh',
  'tanh',
  'exp',
  'expm1',
  'log',
  'log2',
  'log10',
  'log1p',
  'pow',
  'cbrt',
  'hypot',
];

const config = [
  { ignores: ['.next/**', '.oilwick/**', 'next-env.d.ts', 'test-results/**'] },
  ...next,
  ...typescript,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      'no-console': 'error',
      'prefer-const': 'error',
      eqeqeq: 'error',
      'react-hooks/refs': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  {
    files: ['src/core/**/*.ts', 'src/demo/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      // These differ in the last bit between engines; core/geometry/exact.ts has pure ones.
      'no-restricted-properties': [
        'error',
        ...inexact.map((property) => ({ object: 'Math', property, message: 'Use core/geometry/exact.' })),
        { object: 'Math', property: 'random', message: 'Randomness is a hash of a seed.' },
        { object: 'Date', property: 'now', message: 'Clocks are arguments.' },
      ],
      'no-restricted-syntax': [
        'error',
        { selector: "BinaryExpression[operator='**']", message: 'Use pow of core/geometry/exact.' },
        { selector: "NewExpression[callee.name='Date']", message: 'Clocks are arguments.' },
      ],
    },
  },
  { files: ['bin/**', 'benchmarks/**', 'src/cli/**'], rules: { 'no-console': 'off' } },
];

export default config;
