import { Hash } from '@adonisjs/hash'
import { Scrypt } from '@adonisjs/hash/drivers/scrypt'

const hash = new Hash(new Scrypt({}))

/** A salted scrypt hash of a password, in PHC form. */
export const hashPassword = (password: string): Promise<string> => hash.make(password)

/** Whether a password belongs to a hash. */
export const verifyPassword = (stored: string, password: string): Promise<boolean> => hash.verify(stored, password)
