// What this device last saw at this address, until the application draws in its place: data/lastSeen.ts keeps it. Its links and buttons
// take a tap at once, and the application gets it as soon as it has them.
(function () {
  var root = document.getElementById('root');
  /** What is tapped on is looked for so long, ms. */
  var PATIENCE = 10000;

  /** The picture kept on this device, where it is one of this page: its address, width, colours, program and company. */
  function kept() {
    try {
      var picture = JSON.parse(localStorage.getItem('fine-spray.last-seen'));
      var styles = document.querySelector('link[rel="stylesheet"]');
      var fits =
        picture.path === location.pathname + location.search &&
        picture.width === innerWidth &&
        picture.theme === document.documentElement.dataset.theme &&
        picture.styles === styles.getAttribute('href') &&
        picture.company === localStorage.getItem('fine-spray.company');
      return fits ? picture : null;
    } catch (error) {
      // Nothing is kept, storage is forbidden, or what is there is not ours.
      return null;
    }
  }

  var picture = kept();
  if (!picture) return;
  var rules = document.createElement('style');
  rules.textContent = picture.rules;
  // Before every other style sheet, as the application's own rules lie.
  document.head.insertBefore(rules, document.head.firstChild);
  root.innerHTML = picture.html;
  var drawn = root.firstElementChild;
  drawn.dataset.lastSeen = '';

  /** What the application has that is called so. */
  function same(wanted) {
    return Array.prototype.find.call(root.querySelectorAll(wanted.tagName), function (one) {
      return (
        !drawn.contains(one) &&
        one.getAttribute('href') === wanted.getAttribute('href') &&
        one.getAttribute('aria-label') === wanted.getAttribute('aria-label') &&
        one.textContent === wanted.textContent
      );
    });
  }

  var tapped = null;
  /** The application has read the address it begins at. */
  var begun = false;
  window.addEventListener('fine-spray-begins', function () {
    begun = true;
  });
  /** The address was changed to that of a link: the application begins there. */
  var gone = false;
  var from = location.href;
  function go(href) {
    history[gone ? 'replaceState' : 'pushState'](null, '', href);
    gone = true;
  }

  function forget() {
    if (tapped) delete tapped.dataset.tapped;
    tapped = null;
  }
  // Back takes it back.
  window.addEventListener('popstate', function () {
    forget();
    if (!begun) gone = false;
  });

  root.addEventListener(
    'click',
    function (event) {
      if (!drawn.isConnected || !drawn.contains(event.target)) return;
      if (event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
      var wanted = event.target.closest('a, button');
      event.preventDefault();
      event.stopPropagation();
      if (!wanted) return;
      // The last tap is the one that is meant.
      forget();
      tapped = wanted;
      tapped.dataset.tapped = '';
      if (begun) return;
      if (wanted.hasAttribute('href')) go(wanted.getAttribute('href'));
      else if (gone) go(from);
    },
    true,
  );

  /** Gives the application the tap, once it has what was tapped. */
  function look() {
    var found = tapped && same(tapped);
    if (!found) return;
    tapped = null;
    looking.disconnect();
    found.click();
  }
  var looking = new MutationObserver(look);
  window.addEventListener(
    'fine-spray-stands',
    function () {
      rules.remove();
      // It has begun there: whoever comes back later is not sent there again.
      if (location.href !== from) {
        forget();
        return;
      }
      looking.observe(root, { childList: true, subtree: true });
      setTimeout(looking.disconnect.bind(looking), PATIENCE);
      look();
    },
    { once: true },
  );
})();
