import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { readdirSync } from 'node:fs';

// The floors of the house, from the ground up: a floor uses those below it and itself.
// What is taken along to the water is a page of its own, above all of it.
const floors = ['api', 'ui', 'drawing', 'state', 'rooms', 'app', 'water'];

// Among rooms the house is a tree as well: parts that rooms share are below them, what puts rooms together is above.
const rooms = [['chain'], ['shared', 'ledger'], null, ['bench'], ['briefs', 'home']];
const placed = rooms.flat().filter(Boolean);
const trade = readdirSync(new URL('src/rooms', import.meta.url)).filter((room) => !placed.includes(room));
const order = rooms.map((level) => level ?? trade);

const barred = (files, regexes, message) => ({
    files,
    rules: {
        '@typescript-eslint/no-restricted-imports': [
            'error',
            { patterns: regexes.map((regex) => ({ regex, message })) },
        ],
    },
});

export default tseslint.config(
    { ignores: ['src/api/schema.d.ts'] },
    ...tseslint.configs.recommended,
    reactHooks.configs.flat.recommended,
    jsxA11y.flatConfigs.recommended,
    {
        rules: {
            'jsx-a11y/no-autofocus': 'off',
            'max-lines-per-function': ['error', { max: 120 }],
            complexity: ['error', 20],
            'no-restricted-syntax': [
                'error',
                {
                    selector: "Property[key.name='queryKey'] > ArrayExpression",
                    message: 'A key comes from the table in api/keys.ts, which knows what its answer depends on.',
                },
            ],
        },
    },
    ...floors.map((floor, i) =>
        barred(
            [`src/${floor}/**`],
            floors.slice(i + 1).map((above) => `^(\\.\\./)+${above}/`),
            `${floor} stands below this: ${floors.join(' → ')}.`,
        ),
    ),
    ...order.flatMap((level, i) =>
        level.map((room) =>
            barred(
                [`src/rooms/${room}/**`],
                [
                    '^(\\.\\./)+app/',
                    ...order
                        .slice(i)
                        .flat()
                        .filter((other) => other !== room)
                        .map((other) => `^\\.\\./${other}/`),
                ],
                'A room uses what stands below it, so that there are no circles: see eslint.config.js.',
            ),
        ),
    ),
);
