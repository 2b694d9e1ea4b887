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
  // An answer that comes with the page is that of a new device: in metric, of the usual wall, with the crew's own history.
  try {
    for (var at = 0; at < localStorage.length; at += 1) {
      var name = localStorage.key(at);
      var own =
        /quick set-up$/.test(name) ||
        (name === 'fine-spray.units' && localStorage.getItem(name) !== 'metric') ||
        (name === 'fine-spray.our-history' && localStorage.getItem(name) !== 'on');
      if (own) document.documentElement.dataset.own = '';
    }
  } catch (error) {
    // Storage is forbidden: nothing of one's own is there.
  }

  // A new version is fetched beside the one in use, and waits until somebody says so: data/update.ts.
  function found(worker) {
    window.fineSprayUpdate = worker;
    window.dispatchEvent(new Event('fine-spray-update'));
  }
  function watch(registration) {
    if (registration.waiting && navigator.serviceWorker.controller) found(registration.waiting);
    registration.addEventListener('updatefound', function () {
      var worker = registration.installing;
      if (!worker) return;
      worker.addEventListener('statechange', function () {
        if (worker.state === 'installed' && navigator.serviceWorker.controller) found(worker);
      });
    });
    // A page that stays open for days asks now and then.
    setInterval(function () {
      registration.update().catch(function () {
        // Without a server there is no new version.
      });
    }, 3600000);
  }
  /** The application is kept on this device, to be there without a server. */
  function keep() {
    navigator.serviceWorker
      .register('/sw.js')
      .then(watch)
      .catch(function () {
        // Without it the application works as long as the server answers.
      });
  }
  /** The browser may offer to install it. */
  function offerInstalling() {
    var manifest = document.createElement('link');
    manifest.rel = 'manifest';
    manifest.href = '/manifest.webmanifest';
    document.head.appendChild(manifest);
  }
  if ('serviceWorker' in navigator)
    navigator.serviceWorker.addEventListener('controllerchange', function () {
      if (window.fineSprayUpdate) window.location.reload();
    });
  // Not at once: what is fetched to be there without a server, and what the browser draws round the page when it may be installed,
  // would hold up the first picture.
  window.addEventListener('load', function () {
    setTimeout(function () {
      offerInstalling();
      if ('serviceWorker' in navigator) keep();
    }, 3000);
  });
})();
