import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/app/api/generated', 'public', 'vendor', 'node_modules', '.run'] },
    js.configs.recommended,
    ...tseslint.configs.strictTypeChecked,
    {
        files: ['**/*.ts', '**/*.tsx'],
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        plugins: { 'react-hooks': hooks },
        rules: {
            'react-hooks/rules-of-hooks': 'error',
            'react-hooks/exhaustive-deps': 'error',
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
            '@typescript-eslint/no-confusing-void-expression': 'off',
            '@typescript-eslint/no-non-null-assertion': 'error',
        },
    },
);
