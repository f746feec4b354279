// Leads of an unmarked transformer: tapped on their drawing they are written into the notes, two to begin a reading.
const WHOLE = /^\S+\s+\S+\s+(open|[\d.,]+\s*k?(Ω|ohms?)?|[\d.,]+\s*m?V\s+\S+\s+\S+\s+[\d.,]+\s*m?V)$/i;

document.addEventListener('click', (event) => {
  const lead = event.target.closest && event.target.closest('[data-lead]');
  const notes = lead && document.getElementById('notes');
  if (!notes) return;
  const lines = notes.value.replace(/[ \t]+$/, '').split('\n');
  const last = lines[lines.length - 1].trim();
  if (WHOLE.test(last)) lines.push('');
  lines[lines.length - 1] = `${WHOLE.test(last) || !last ? '' : `${last} `}${lead.dataset.lead} `;
  notes.value = lines.join('\n');
  notes.dispatchEvent(new Event('input', { bubbles: true }));
  // After the second lead a figure is typed; until then a phone keeps its keyboard away.
  const words = lines[lines.length - 1].trim().split(/\s+/).length;
  if (words === 2 || words === 5) notes.focus();
});
