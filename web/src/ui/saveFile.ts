/** Lets the browser save what came as an answer. */
export function saveFile(file: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  // the browser has begun to save it by then
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
