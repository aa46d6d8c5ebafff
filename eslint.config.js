// @ts-check
import js from "@eslint/js";
import astro from "eslint-plugin-astro";
import a11y from "eslint-plugin-jsx-a11y-x";
import hooks from "eslint-plugin-react-hooks";
import globals from "globals";
import ts from "typescript-eslint";
import { rooms } from "./scripts/rooms.mjs";

const ownName = "Reach another room through its @/ name.";

const roomRules = rooms.map((room, at) => {
  const later = rooms.slice(at + 1);
  const inCore = room.startsWith("core/");
  const beside = inCore
    ? later.filter((each) => each.startsWith("core/")).map((each) => each.replace("core/", "../"))
    : [];
  const above = [...later.map((each) => `@/${each}`), ...beside].flatMap((each) => [each, `${each}/**`]);
  return {
    files: [`src/${room}/**/*.{ts,tsx}`],
    ignores: ["**/*.test.{ts,tsx}"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            ...(above.length > 0
              ? [{ group: above, message: `${room} may only import from rooms below it.` }]
              : []),
            { group: ["../../*"], message: ownName },
            ...(inCore
              ? [
                  {
                    group: ["react*", "astro*", "localforage", "tone", "abcjs", "nanostores"],
                    message: "The core is pure.",
                  },
                ]
              : []),
          ],
        },
      ],
    },
  };
});

export default ts.config(
  { ignores: ["dist", ".astro", "node_modules", "test-results", ".reports"] },
  js.configs.recommended,
  ...ts.configs.strictTypeChecked.map((config) => ({ ...config, files: ["**/*.{ts,tsx}"] })),
  {
    files: ["**/*.{ts,tsx}"],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      // A rule that is given options forgets those of its preset: each one is written out.
      "@typescript-eslint/restrict-template-expressions": [
        "error",
        {
          allow: [],
          allowAny: false,
          allowArray: false,
          allowBoolean: false,
          allowNever: false,
          allowNullish: false,
          allowNumber: true,
          allowRegExp: false,
        },
      ],
      "@typescript-eslint/no-confusing-void-expression": [
        "error",
        { ignoreArrowShorthand: true, ignoreVoidOperator: false, ignoreVoidReturningFunctions: false },
      ],
      "@typescript-eslint/prefer-nullish-coalescing": [
        "error",
        {
          allowRuleToRunWithoutStrictNullChecksIKnowWhatIAmDoing: false,
          ignoreBooleanCoercion: false,
          ignoreConditionalTests: true,
          ignoreIfStatements: false,
          ignoreMixedLogicalExpressions: false,
          ignorePrimitives: { bigint: false, boolean: false, number: false, string: false },
          ignoreTernaryTests: false,
        },
      ],
      // Names and accidentals (𝄪, 𝄫) are made of code points, which is what spreading a string gives.
      "@typescript-eslint/no-misused-spread": "off",
    },
  },
  {
    files: ["**/*.test.{ts,tsx}", "tests/**/*.ts"],
    rules: { "@typescript-eslint/no-non-null-assertion": "off" },
  },
  {
    files: ["**/*.tsx"],
    plugins: { "react-hooks": hooks },
    rules: hooks.configs["recommended-latest"].rules,
  },
  { files: ["**/*.tsx"], plugins: { "jsx-a11y-x": a11y }, rules: a11y.configs.recommended.rules },
  ...astro.configs.recommended,
  {
    files: ["scripts/**/*.mjs", "tests/**/*.mjs", "*.config.{js,mjs}"],
    languageOptions: { globals: globals.node },
  },
  // What the benchmark runs inside the page.
  {
    files: ["scripts/bench/*.mjs", "src/shell/frame/first-paint.js"],
    languageOptions: { globals: globals.browser },
  },
  ...roomRules,
);
