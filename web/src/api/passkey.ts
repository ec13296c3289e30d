import { Refused } from './client'

/** Questions and answers are as WebAuthn level 3 writes them in JSON. */
async function ask(what: () => Promise<Credential | null>): Promise<string> {
  try {
    const credential = await what()
    if (credential) return JSON.stringify(credential)
  } catch (e) {
    if (!(e instanceof DOMException)) throw e
    if (e.name === 'InvalidStateError') throw new Refused(0, 'This device has a passkey for this account already.')
  }
  throw new Refused(0, 'No passkey was given; nothing was changed. Try again, or go on without one.')
}

/** Has the browser make a passkey. */
export function makePasskey(question: string): Promise<string> {
  const publicKey = PublicKeyCredential.parseCreationOptionsFromJSON(
    JSON.parse(question) as PublicKeyCredentialCreationOptionsJSON,
  )
  return ask(() => navigator.credentials.create({ publicKey }))
}

/** Has somebody show a passkey that they made before. */
export function answerByPasskey(question: string): Promise<string> {
  const publicKey = PublicKeyCredential.parseRequestOptionsFromJSON(
    JSON.parse(question) as PublicKeyCredentialRequestOptionsJSON,
  )
  return ask(() => navigator.credentials.get({ publicKey }))
}

/** Whether passkeys can be had here: they hold for one name of the lab, and browsers may know none. */
export function passkeysHold(host: string | undefined): boolean {
  return location.hostname === host && typeof PublicKeyCredential !== 'undefined'
}
