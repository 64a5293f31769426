/** Hands a file to the browser. */
export function handOver(fileName: string, type: string, content: string | Uint8Array<ArrayBuffer>): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = fileName;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
