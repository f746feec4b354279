// Follows the sessions. A browser opens six connections to a server at most, and pages need them: so one tab holds the stream
// for all. It holds a lease that it renews; when it is gone another tab takes it.
import { open } from './stream-source.js';

const LEASE = 'stream';
const LOOK_EVERY = 1500;
const GONE_AFTER = 5000;

export function follow(tell) {
  const me = String(Math.random());
  const tabs = new BroadcastChannel('stream');
  let close = null;

  const lease = () => JSON.parse(localStorage.getItem(LEASE) || '{"at":0}');
  const renew = () => localStorage.setItem(LEASE, JSON.stringify({ tab: me, at: Date.now() }));
  const free = (held) => Math.abs(Date.now() - held.at) > GONE_AFTER;

  function look() {
    const held = lease();
    if (held.tab === me) {
      renew();
      if (!close)
        close = open((name, data) => {
          tell(name, data);
          tabs.postMessage({ name, data });
        });
    } else if (free(held)) {
      // Of several tabs that try at once the last one to write keeps it, and opens at its next look.
      renew();
    } else if (close) {
      close();
      close = null;
    }
  }

  function leave() {
    if (close) close();
    close = null;
    if (lease().tab === me) localStorage.removeItem(LEASE);
  }

  tabs.onmessage = (event) => tell(event.data.name, event.data.data);
  look();
  setTimeout(look, 100 + 100 * Math.random());
  setInterval(() => {
    if (!away) look();
  }, LOOK_EVERY);
  let away = false;
  addEventListener('pagehide', () => {
    away = true;
    leave();
  });
  addEventListener('pageshow', (event) => {
    if (event.persisted) {
      away = false;
      look();
      tell('look', {});
    }
  });
  // What happened between the page's making and its listening.
  tell('look', {});
}
