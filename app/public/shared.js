// Part of the service worker: a file that another application shares is kept until the page that reads it is there.
self.addEventListener('fetch', function (event) {
  var url = new URL(event.request.url);
  if (event.request.method !== 'POST' || url.origin !== self.location.origin || url.pathname !== '/open')
    return;
  event.respondWith(
    (async function () {
      try {
        var file = (await event.request.formData()).get('file');
        if (file && typeof file !== 'string') {
          var cache = await caches.open('fine-spray-shared');
          // By its name in the address: headers take no other letters.
          await cache.put('/shared/' + encodeURIComponent(file.name || 'file'), new Response(file));
        }
      } catch (error) {
        // The page says how to choose it by hand.
      }
      return Response.redirect('/open', 303);
    })(),
  );
});
