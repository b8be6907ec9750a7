// Takes up the theme that was chosen last, before the page is drawn: it stands alone, so that nothing is waited for.
try {
  const chosen = localStorage.getItem('tapis-theme');
  if (chosen === 'lamp' || chosen === 'paper') document.documentElement.dataset['theme'] = chosen;
} catch {
  // a browser that keeps nothing shows paper
}

export {};
