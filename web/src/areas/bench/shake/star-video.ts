import { starTrack, vibration, type StarTrack, type Vibration, type VideoFrame } from '@binoculum/core'

/** Wide enough to tell a star's place to a tenth of a pixel, and no phone's memory runs out. */
const WIDTH_PX = 320
/** A tap and all that comes after it; a longer video is cut. */
const LONGEST_S = 12

/** What a video of a star tells of a tap. @throws Error where it is no video that this device can play */
export async function shakeInVideo(file: Blob): Promise<Vibration | NonNullable<StarTrack['refused']>> {
  const { samples, refused } = starTrack(await framesOf(file))
  return refused ?? vibration({ samples })
}

/** Frames as the video holds them, with their own times: it is played once, without being shown. */
async function framesOf(file: Blob): Promise<VideoFrame[]> {
  const video = document.createElement('video')
  const address = URL.createObjectURL(file)
  Object.assign(video, { muted: true, playsInline: true, src: address })
  try {
    await new Promise((done, fail) => {
      video.onloadeddata = done
      video.onerror = () => fail(new Error('no video that can be played here'))
    })
    const frames: VideoFrame[] = []
    const widthPx = Math.min(WIDTH_PX, video.videoWidth)
    const heightPx = Math.round((widthPx * video.videoHeight) / video.videoWidth)
    const canvas = Object.assign(document.createElement('canvas'), { width: widthPx, height: heightPx })
    const page = canvas.getContext('2d', { willReadFrequently: true })
    const take = (_now: number, { mediaTime: tS }: { mediaTime: number }) => {
      if (!page || tS > LONGEST_S) return video.pause()
      page.drawImage(video, 0, 0, widthPx, heightPx)
      const last = frames.at(-1)
      if (!last || tS > last.tS)
        frames.push({ tS, widthPx, heightPx, grey: greyOf(page.getImageData(0, 0, widthPx, heightPx).data) })
      video.requestVideoFrameCallback(take)
    }
    video.requestVideoFrameCallback(take)
    await new Promise<void>((done) => {
      video.onended = video.onpause = () => done()
      void video.play()
    })
    return frames
  } finally {
    URL.revokeObjectURL(address)
  }
}

/** Weights of ITU-R BT.601. */
function greyOf(rgba: Uint8ClampedArray): Uint8ClampedArray {
  const grey = new Uint8ClampedArray(rgba.length / 4)
  for (let i = 0; i < grey.length; i++)
    grey[i] = 0.299 * (rgba[4 * i] ?? 0) + 0.587 * (rgba[4 * i + 1] ?? 0) + 0.114 * (rgba[4 * i + 2] ?? 0)
  return grey
}
