// Runs before anything is drawn, so that theme and places are right from the first moment; its hash stands in the content policy.
(() => {
  const root = document.documentElement;
  let look = {};
  try {
    look = JSON.parse(localStorage.getItem("shade-look") ?? "{}") ?? {};
  } catch {
    // Without a look of its own the page follows the system.
  }
  const isSystemDark = matchMedia("(prefers-color-scheme: dark)").matches;
  const isDark = look.theme === "dark" || (look.theme !== "light" && isSystemDark);
  root.dataset.theme = isDark ? "dark" : "light";
  if (look.firstSteps === false) root.dataset.known = "";
  if (look.stage > 0) root.style.setProperty("--stage-height", `${look.stage}px`);
  if (look.narrowStage > 0) root.style.setProperty("--stage-height-narrow", `${look.narrowStage}px`);
})();
