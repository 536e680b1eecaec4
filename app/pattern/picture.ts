/** An SVG drawing as a PNG picture on white, so many pixels wide. */
export async function svgPicture(svg: string, width: number): Promise<Blob> {
  const [, , w, h] = /viewBox="(-?[\d.]+) (-?[\d.]+) ([\d.]+) ([\d.]+)"/.exec(svg)!.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
  ];
  const height = Math.round((width * h) / w);
  const sized = svg
    .replace(/^(<svg [^>]*?) width="[^"]*" height="[^"]*"/, '$1')
    .replace(/^<svg /, `<svg width="${width}" height="${height}" `);
  const url = URL.createObjectURL(new Blob([sized], { type: 'image/svg+xml' }));
  try {
    const image = new Image(width, height);
    image.src = url;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    const context = canvas.getContext('2d')!;
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, width, height);
    context.drawImage(image, 0, 0, width, height);
    return await new Promise((resolve, reject) => {
      canvas.toBlob((blob) =>
        blob ? resolve(blob) : reject(new Error('The picture is too large for this browser')),
      );
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}
