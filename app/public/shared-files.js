// Part of the service worker: keeps files that are shared to the application until the shelf opens them (app/shelf/handedOver.ts).
self.addEventListener('fetch', (event) => {
  const { request } = event;
  if (request.method === 'POST' && new URL(request.url).pathname === '/shared') {
    event.respondWith(
      keep(request).then(
        () => Response.redirect('/', 303),
        () => Response.redirect('/#not-shared', 303),
      ),
    );
  }
});

async function keep(request) {
  const files = (await request.formData()).getAll('files');
  const kept = await caches.open('zig-hem-shared');
  await Promise.all(
    files.map((file, k) =>
      kept.put(
        `/shared/${Date.now()}-${k}`,
        new Response(file, { headers: { 'X-File-Name': encodeURIComponent(file.name) } }),
      ),
    ),
  );
}
