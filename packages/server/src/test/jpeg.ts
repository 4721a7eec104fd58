import sharp from "sharp";

/** A small JPEG picture as a data URL, with a place and a camera written into it where `exif` says so. */
export async function jpeg({ exif = false, side = 40 }: { readonly exif?: boolean; readonly side?: number } = {}): Promise<string> {
  const plain = sharp({ create: { width: side, height: side, channels: 3, background: { r: 180, g: 90, b: 40 } } });
  const tags = { IFD0: { Model: "SECRET-CAMERA" }, IFD3: { GPSLatitude: "50/1 1/1 0/1", GPSLatitudeRef: "N" } };
  const bytes = await (exif ? plain.withExif(tags) : plain).jpeg().toBuffer();
  return `data:image/jpeg;base64,${bytes.toString("base64")}`;
}
