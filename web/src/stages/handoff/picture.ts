/** A drawing as a picture of twice its size, for where drawings cannot be shown. */
export async function pictureOf(svg: string): Promise<Blob> {
  const address = URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }));
  try {
    const drawing = new Image();
    drawing.src = address;
    await drawing.decode();
    const canvas = document.createElement("canvas");
    canvas.width = drawing.naturalWidth * 2;
    canvas.height = drawing.naturalHeight * 2;
    canvas.getContext("2d")?.drawImage(drawing, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) => {
      const done = (picture: Blob | null) =>
        picture ? resolve(picture) : reject(new Error("The browser made no picture of the drawing."));
      canvas.toBlob(done, "image/png");
    });
  } finally {
    URL.revokeObjectURL(address);
  }
}
