// Speakers are dragged onto a tap: that picks their cell of the map, as its radio button does by keyboard.

const TYPE = 'text/x-speakers';
const tapOf = (target) => target.closest && target.closest('[data-tap]');

document.addEventListener('dragstart', (event) => {
  const grip = event.target.closest && event.target.closest('[data-set]');
  if (!grip) return;
  event.dataTransfer.setData(TYPE, grip.dataset.set);
  event.dataTransfer.effectAllowed = 'copy';
  document.body.classList.add('dragging');
});

document.addEventListener('dragend', () => document.body.classList.remove('dragging'));

document.addEventListener('dragover', (event) => {
  if (!tapOf(event.target) || !event.dataTransfer.types.includes(TYPE)) return;
  event.preventDefault();
  event.dataTransfer.dropEffect = 'copy';
});

document.addEventListener('drop', (event) => {
  const tap = tapOf(event.target);
  const set = event.dataTransfer.getData(TYPE);
  if (!tap || !set) return;
  event.preventDefault();
  // Rows of the map are the sets that are typed, in their order.
  const typed = [...document.querySelectorAll('[data-set]')].filter(
    (grip) => document.getElementById(`set${grip.dataset.set}`).value.trim() !== '',
  );
  const row = typed.findIndex((grip) => grip.dataset.set === set) + 1;
  const cell = document.getElementById(`cell-${tap.dataset.tap.replace('.', '-')}-${row}`);
  if (row && cell) cell.click();
});
