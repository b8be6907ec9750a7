// Takes up the theme that was chosen last, before the page is drawn.
const chosen = localStorage.getItem('tapis-theme');
if (chosen === 'lamp' || chosen === 'paper') document.documentElement.dataset['theme'] = chosen;

export {};
