// Times are the reader's own.
export function times() {
  const now = Date.now();
  document.querySelectorAll('time[data-due]').forEach((t) => {
    const due = new Date(Number(t.dataset.due));
    t.dateTime = due.toISOString();
    t.textContent = due.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' });
  });
  document.querySelectorAll('time[data-at]').forEach((t) => {
    const at = Number(t.dataset.at);
    if (!at) return;
    const minutes = Math.round((now - at) / 60000);
    const day = new Date(at);
    t.dateTime = day.toISOString();
    t.title = day.toLocaleString();
    t.textContent =
      minutes < 1
        ? 'just now'
        : minutes < 90
          ? `${minutes} min ago`
          : minutes < 2160
            ? day.toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
            : day.toLocaleDateString();
  });
}
