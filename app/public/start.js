// Runs before the application: the theme without a flash, and the offline shell.
(function () {
  var choice = null;
  try {
    choice = localStorage.getItem('fine-spray.theme');
  } catch (error) {
    choice = null;
  }
  var system = window.matchMedia && window.matchMedia('(prefers-color-scheme: dark)').matches;
  var dark = choice === 'dark' || (choice !== 'light' && system);
  document.documentElement.dataset.theme = dark ? 'dark' : 'light';
  if (dark) document.documentElement.style.backgroundColor = '#141619';
  if ('serviceWorker' in navigator) {
    window.addEventListener('load', function () {
      navigator.serviceWorker.register('/sw.js').catch(function () {
        // Without it the application works as long as the server answers.
      });
    });
  }
})();
