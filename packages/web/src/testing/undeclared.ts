import { build } from 'esbuild';
import { Linter, type Rule, type Scope } from 'eslint';
import globals from 'globals';

/** Names that are assigned although nothing declares them: a strict module throws there. */
const assigned = (scope: Scope.Scope): string[] =>
  scope.through.filter((reference) => reference.isWrite()).map(({ identifier }) => identifier.name);

const undeclared: Rule.RuleModule = {
  create: (context) => ({
    'Program:exit': (program) => {
      for (const name of assigned(context.sourceCode.getScope(program)))
        context.report({ node: program, message: name });
    },
  }),
};

/** What a script as a browser is given it assigns without declaring it. */
export function undeclaredIn(script: string): string[] {
  const messages = new Linter().verify(script, [
    {
      plugins: { strict: { rules: { undeclared } } },
      rules: { 'strict/undeclared': 'error' },
      languageOptions: {
        sourceType: 'module',
        ecmaVersion: 'latest',
        globals: { ...globals.browser, ...globals.worker },
      },
      linterOptions: { noInlineConfig: true },
    },
  ]);
  return messages.filter(({ ruleId }) => ruleId !== null).map(({ message }) => message);
}

/** A dependency bundled as the web application bundles it. */
export async function bundled(dependency: string, from: string): Promise<string> {
  const { outputFiles } = await build({
    stdin: { contents: `export * from '${dependency}';`, resolveDir: from },
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'browser',
    logLevel: 'silent',
    // What only a development build does is left out, as in what ships.
    minifySyntax: true,
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  return outputFiles[0]?.text ?? '';
}
