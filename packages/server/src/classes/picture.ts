import sharp from "sharp";
import { ProblemError } from "../http/problem.js";

// One thread: a class that hands in at once leaves the others to the drafts.
sharp.concurrency(1);
sharp.cache(false);

/** Larger pictures are of no use on a screen; smaller ones of none at all (pixels). */
const LONGEST_SIDE = 2_000;
const LEAST_SIDE = 2;
/** A picture that unpacks to more than this is made to do harm (pixels). */
const MOST_PIXELS = 40_000_000;
const QUALITY = 82;
const PREFIX = "data:image/jpeg;base64,";

/**
 * A picture as it is kept: decoded and encoded again, so that nothing but its pixels is left of what was sent (no place, no
 * camera, nothing hidden). Takes and gives a data URL. Throws a 422 problem for what is no JPEG.
 */
export async function cleanPicture(dataUrl: string): Promise<string> {
  try {
    const sent = sharp(Buffer.from(dataUrl.slice(PREFIX.length), "base64"), { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format, width = 0, height = 0 } = await sent.metadata();
    if (format !== "jpeg" || Math.min(width, height) < LEAST_SIDE) throw new Error("not a JPEG picture");
    const clean = await sent
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: "inside", withoutEnlargement: true })
      .jpeg({ quality: QUALITY })
      .toBuffer();
    return PREFIX + clean.toString("base64");
  } catch (error) {
    throw new ProblemError(
      422,
      "Not a picture",
      `This picture cannot be read (${(error as Error).message}). Take it again, or choose another.`,
    );
  }
}
