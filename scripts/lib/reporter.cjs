// A short Jest reporter: one line per file, the full message of each failure.
module.exports = class {
  onTestFileResult(_test, result) {
    const file = result.testFilePath.replace(`${process.cwd()}/`, '');
    const failed = result.testResults.filter((t) => t.status === 'failed');
    console.log(
      `  ${failed.length > 0 || result.testExecError ? 'FAIL' : 'ok'}  ${file} (${result.numPassingTests} passed${failed.length ? `, ${failed.length} failed` : ''})`,
    );
    if (result.testExecError) console.log(result.testExecError.message ?? result.testExecError);
    for (const t of failed)
      console.log(
        `\n    ✗ ${t.fullName}\n${t.failureMessages
          .join('\n')
          .split('\n')
          .filter((l) => !l.includes('node_modules'))
          .slice(0, 40)
          .map((l) => `      ${l}`)
          .join('\n')}\n`,
      );
  }
};
