// What happened in any session, as the server tells it. It hears every few seconds that somebody listens, or lets go.
const LISTENING_EVERY = 8000;
const AGAIN_AFTER = 2000;

export function open(tell) {
  let source;
  let stream = '';
  let again = 0;
  function listen() {
    source = new EventSource('/bench/stream');
    ['hello', 'changed', 'danger', 'look'].forEach((name) => {
      source.addEventListener(name, (event) => {
        const data = JSON.parse(event.data);
        stream = data.stream || stream;
        tell(name, data);
      });
    });
    source.onerror = () => {
      if (source.readyState === EventSource.CLOSED) again = setTimeout(listen, AGAIN_AFTER);
    };
  }
  const listening = setInterval(async () => {
    if (!stream || source.readyState !== EventSource.OPEN) return;
    const asked = stream;
    const answer = await fetch(`/bench/stream/${asked}`).catch(() => null);
    if (answer && answer.status === 404 && asked === stream) {
      stream = '';
      source.close();
      listen();
    }
  }, LISTENING_EVERY);
  listen();
  return () => {
    clearTimeout(again);
    clearInterval(listening);
    source.close();
  };
}
