declare module '#auth-utils' {
  interface SecureSessionData {
    /** The secret of the session; what it stands for is in the database, where it can be ended. */
    token: string
  }
}

export {}
