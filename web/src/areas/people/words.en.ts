/** Every word of this room, by the file that says it. `one | more`: by `n`. */
export const en = {
  joinPage: {
    binoculum: 'Binoculum',
    nobodyIsHereYetYou: 'Nobody is here yet. You become the first coordinator, and invite the others by link.',
    yourName: 'your name',
    mailAddress: 'mail address',
    libraryOrClub: 'library or club',
    timeZoneSuchAsEurope: 'time zone, such as Europe/Dublin',
    emergencyLinePrintedBesideEvery: 'emergency line, printed beside every coin cell',
    chooseANewPassword: 'Choose a new password.',
    chooseAPasswordToBegin: 'Choose a password to begin.',
    passwordAtLeastCharacters: 'password, at least 12 characters',
    begin: 'Begin',
  },
  signInAgain: {
    yourSessionIsOverSign: 'Your session is over. Sign in again',
    nothingIsLostWhatYou: 'Nothing is lost: what you typed stays where it is, and goes on when you are back.',
  },
  signInForm: {
    mailAddress: 'mail address',
    password: 'password',
    theSixDigitsThatYour: 'the six digits that your app shows now, or a backup code',
    signIn: 'Sign in',
  },
  signInPage: {
    binoculum: 'Binoculum',
    whatIsInTheCase: 'what is in the case, and may it go out',
    forgottenYourPasswordYourCoordinator:
      'Forgotten your password? Your coordinator gives you a new link. Borrowers need no password: the link is on the loan slip.',
  },
} as const
