import type { HandIn } from "@lodrin/contract";

/** A picture of the paper, small and without what the camera wrote into it, with the places marked on it. */
export interface MarkedPicture {
  /** A JPEG as a data URL. */
  readonly data: string;
  readonly width: number;
  readonly height: number;
  readonly marks: HandIn["marksOnPicture"];
}

/** The longer side of a kept picture (pixels), and how large it may be (letters of its data URL). */
const LONGEST = 1600;
const MOST_LETTERS = 890_000;
const QUALITIES = [0.8, 0.65, 0.5, 0.35];

/**
 * A photograph made small: turned as its EXIF says, and drawn again, so that place, time and camera are in it no more.
 * Throws Error with a sentence for a file that is no picture.
 */
export async function smallPicture(file: Blob): Promise<Omit<MarkedPicture, "marks">> {
  const bitmap = await createImageBitmap(file, { imageOrientation: "from-image" }).catch(() => {
    throw new Error("This file is no picture that can be read. Take a JPEG or a PNG.");
  });
  const k = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement("canvas");
  [canvas.width, canvas.height] = [Math.round(bitmap.width * k), Math.round(bitmap.height * k)];
  canvas.getContext("2d")?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return jpegOf(canvas);
}

/** A canvas as a JPEG that is small enough to be handed in. */
export function jpegOf(canvas: HTMLCanvasElement): Omit<MarkedPicture, "marks"> {
  for (const quality of QUALITIES) {
    const data = canvas.toDataURL("image/jpeg", quality);
    if (data.length <= MOST_LETTERS) return { data, width: canvas.width, height: canvas.height };
  }
  throw new Error("This picture does not become small enough. Take it with less around the paper.");
}
