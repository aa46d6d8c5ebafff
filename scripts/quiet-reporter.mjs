// @ts-check
/** Says nothing of what passes: a run that is green fits on a screen. */
export default class QuietReporter {
  printsToStdio() {
    return true;
  }

  /**
   * @param {import("@playwright/test/reporter").TestCase} test
   * @param {import("@playwright/test/reporter").TestResult} result
   */
  onTestEnd(test, result) {
    if (result.status === test.expectedStatus) return;
    console.log(`${result.status}: ${test.titlePath().filter(Boolean).join(" › ")}`);
    for (const { message } of result.errors) console.log(message);
  }

  /** @param {import("@playwright/test/reporter").TestError} error */
  onError(error) {
    console.log(error.message ?? error.value);
  }
}
