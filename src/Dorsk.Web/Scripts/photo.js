// A photo of dead fish: made small and drawn anew here, so that neither place nor device leave the phone; the farm keeps it by its hash.
const longest = 1600;

async function small(file) {
  const image = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, longest / Math.max(image.width, image.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(image.width * scale));
  canvas.height = Math.max(1, Math.round(image.height * scale));
  canvas.getContext('2d').drawImage(image, 0, 0, canvas.width, canvas.height);
  for (const quality of [0.85, 0.7, 0.5]) {
    const blob = await new Promise((done) => canvas.toBlob(done, 'image/jpeg', quality));
    if (blob.size <= 1 << 20) return blob;
  }
  throw new Error('too large');
}

export function photo() {
  return {
    init() {
      const pick = this.$el.querySelector('input[type=file]'),
        kept = this.$el.querySelector('input[type=hidden]'),
        shown = this.$el.querySelector('img'),
        says = this.$el.querySelector('.photo-says');
      pick.hidden = false;
      if (!kept.value) says.textContent = '';
      const show = () => {
        shown.hidden = !kept.value;
        if (kept.value) shown.src = '/photo/' + kept.value;
      };
      show();
      pick.addEventListener('change', async () => {
        if (!pick.files.length) return;
        says.textContent = 'sending';
        try {
          const blob = await small(pick.files[0]);
          const answer = await fetch('/photo?handler=Keep', {
            method: 'POST',
            headers: {
              'Content-Type': 'application/octet-stream',
              RequestVerificationToken: document.querySelector('[name=__RequestVerificationToken]').value,
            },
            body: blob,
          });
          const said = await answer.json();
          kept.value = said.hash ?? '';
          says.textContent = said.problem ?? 'kept; save the slip';
        } catch {
          kept.value = '';
          says.textContent = 'not kept: no picture that this phone can read, or no signal. Save the slip without it.';
        }
        show();
      });
    },
  };
}
