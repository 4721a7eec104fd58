import js from "@eslint/js";
import vue from "eslint-plugin-vue";
import ts from "typescript-eslint";
import vueParser from "vue-eslint-parser";

export default ts.config(
  {
    ignores: [
      "**/dist/**",
      "**/build/**",
      "**/generated/**",
      "data/**",
      "coverage/**",
      "test-results/**",
      "playwright-report/**",
      "**/*.mjs",
      "**/*.cjs",
    ],
  },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs["flat/recommended"],
  {
    files: ["**/*.vue"],
    languageOptions: { parser: vueParser, parserOptions: { parser: ts.parser, extraFileExtensions: [".vue"], sourceType: "module" } },
  },
  {
    rules: {
      "no-undef": "off",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_", ignoreRestSiblings: true }],
      "@typescript-eslint/no-non-null-assertion": "error",
      "@typescript-eslint/consistent-type-imports": ["error", { fixStyle: "inline-type-imports" }],
      "@typescript-eslint/no-explicit-any": "error",
      "no-eval": "error",
      "no-new-func": "error",
      "no-restricted-syntax": [
        "error",
        { selector: "CatchClause[param=null]", message: "Say which error is expected, and pass on any other: failing code is not hidden." },
      ],
      complexity: ["error", 16],
      // Prettier decides how templates are laid out.
      "vue/max-attributes-per-line": "off",
      "vue/singleline-html-element-content-newline": "off",
      "vue/multiline-html-element-content-newline": "off",
      "vue/html-self-closing": "off",
      "vue/html-indent": "off",
      "vue/html-closing-bracket-newline": "off",
      "vue/require-default-prop": "off",
    },
  },
  {
    files: ["packages/web/src/**/*.{ts,vue}"],
    ignores: ["**/*.test.ts"],
    rules: { "no-restricted-globals": ["error", "process", "Buffer", "global", "__dirname", "require"] },
  },
  {
    files: ["**/*.vue"],
    rules: {
      "@typescript-eslint/no-non-null-assertion": "off",
      // A component that is not imported would be drawn as an unknown element, without a word.
      "vue/no-undef-components": ["error", { ignorePatterns: ["^[eE]l-?"] }],
    },
  },
);
