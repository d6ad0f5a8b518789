import { createCipheriv, createDecipheriv, createHash, randomBytes, scryptSync } from 'node:crypto'
import { createReadStream, createWriteStream, statSync } from 'node:fs'
import { open } from 'node:fs/promises'
import { Transform } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Explained } from './say.mjs'

/** A backup is one file: a first line of JSON that says what it is, then the dump, then its SHA-256. With a passphrase the dump is
 * AES-256-GCM under a key by scrypt [RFC 7914], and what GCM guards is guarded twice. */
const FORMAT = 'binoculum-backup'
const HASH_BYTES = 32
const TAG_BYTES = 16
/** 64 MB of memory for each guess. */
const SCRYPT = { N: 65_536, r: 8, p: 1, maxmem: 128 * 1024 * 1024 }

const keyOf = (passphrase, salt) => scryptSync(passphrase, salt, 32, SCRYPT)

/** Lets bytes through and reckons their SHA-256. */
function hashing(hash) {
  return new Transform({
    transform(chunk, _encoding, done) {
      hash.update(chunk)
      done(null, chunk)
    },
  })
}

/** Writes `source` (a stream) into one file. @param passphrase empty for none */
export async function writeOneFile(path, source, { about, passphrase = '' }) {
  const salt = randomBytes(16)
  const iv = randomBytes(12)
  const secret = passphrase ? { cipher: 'aes-256-gcm', salt: salt.toString('base64'), iv: iv.toString('base64') } : {}
  const header = Buffer.from(`${JSON.stringify({ format: FORMAT, version: 1, ...about, ...secret })}\n`)
  const hash = createHash('sha256').update(header)
  const cipher = passphrase ? createCipheriv('aes-256-gcm', keyOf(passphrase, salt), iv) : null
  const file = createWriteStream(path, { flags: 'wx', mode: 0o600 })
  file.write(header)
  await pipeline([source, ...(cipher ? [cipher] : []), hashing(hash), file], { end: false })
  if (cipher) {
    hash.update(cipher.getAuthTag())
    file.write(cipher.getAuthTag())
  }
  const sha256 = hash.digest()
  await new Promise((resolve, reject) => file.end(sha256, (error) => (error ? reject(error) : resolve())))
  const written = await open(path, 'r')
  await written.sync()
  await written.close()
  return { bytes: statSync(path).size, sha256: sha256.toString('hex') }
}

/** Checks a file before anything is done with it. @returns its first line, and a stream of what was put in */
export async function readOneFile(path, { passphrase = '' } = {}) {
  const { size } = statSync(path)
  const header = await firstLine(path)
  const hash = createHash('sha256')
  for await (const chunk of createReadStream(path, { end: size - HASH_BYTES - 1 })) hash.update(chunk)
  const file = await open(path, 'r')
  const tail = Buffer.alloc(HASH_BYTES + TAG_BYTES)
  await file.read(tail, 0, tail.length, size - tail.length)
  await file.close()
  if (!hash.digest().equals(tail.subarray(TAG_BYTES)))
    throw new Explained(`${path} is not whole: its checksum is another one. Take an earlier backup.`, 8)
  const { about, bytes } = header
  const encrypted = about.cipher === 'aes-256-gcm'
  if (encrypted && !passphrase)
    throw new Explained(`${path} is encrypted. Set BACKUP_PASSPHRASE to what it was made with.`, 8)
  const end = size - HASH_BYTES - (encrypted ? TAG_BYTES : 0) - 1
  const openDump = () => {
    const raw = createReadStream(path, { start: bytes, end })
    if (!encrypted) return raw
    const key = keyOf(passphrase, Buffer.from(about.salt, 'base64'))
    const decipher = createDecipheriv('aes-256-gcm', key, Buffer.from(about.iv, 'base64'))
    decipher.setAuthTag(tail.subarray(0, TAG_BYTES))
    return raw.pipe(decipher)
  }
  // Read to its end once: nothing of a file that can't be read whole is ever used.
  try {
    for await (const _chunk of openDump());
  } catch {
    throw new Explained(`${path} can’t be read with this passphrase.`, 8)
  }
  return { about, stream: openDump() }
}

async function firstLine(path) {
  const file = await open(path, 'r')
  const start = Buffer.alloc(4096)
  const { bytesRead } = await file.read(start, 0, start.length, 0)
  await file.close()
  const end = start.subarray(0, bytesRead).indexOf('\n')
  try {
    const about = JSON.parse(start.subarray(0, end).toString('utf8'))
    if (end < 0 || about.format !== FORMAT) throw new Error('another format')
    return { about, bytes: end + 1 }
  } catch {
    throw new Explained(`${path} is no backup of Binoculum.`, 8)
  }
}
