import { z } from 'zod'

/** Every error the server answers with: status, and what the user can do about it. */
export const errorCatalogue = {
  BAD_INPUT: { status: 400, message: 'Something in what was sent can’t be used. Correct the named fields.' },
  NOT_JSON: { status: 400, message: 'What was sent is not JSON.' },
  UNKNOWN_CALCULATOR: { status: 400, message: 'There is no calculator of this name.' },
  NOT_A_LIST: { status: 400, message: 'This file is not a list of text. Save the sheet as CSV and try again.' },
  SIGN_IN: { status: 401, message: 'Sign in first. What you have typed is kept.' },
  WRONG_PASSWORD: {
    status: 401,
    message: 'Mail address and password don’t go together. Try again, or ask your coordinator for a new password.',
  },
  CODE_NEEDED: { status: 401, message: 'Type the six digits that your app shows now, or one of your backup codes.' },
  WRONG_CODE: {
    status: 401,
    message:
      'This code is not the one of this half minute, or was used already. Wait for the next one and type that.',
  },
  NOT_ALLOWED: { status: 403, message: 'Your role doesn’t allow this. Ask your coordinator.' },
  NOT_FOUND: { status: 404, message: 'There is nothing under this name. It may have been renamed.' },
  LINK_OVER: { status: 404, message: 'This link has expired or was already used. Ask for a new one.' },
  TOO_MANY_MESSAGES: {
    status: 429,
    message: 'So many messages came from this guide already that no more are taken. Ring the library.',
  },
  BRANCH_IN_USE: {
    status: 409,
    message: 'There are kits, places or loans in this branch already. A whole branch comes into an empty one only.',
  },
  KIT_CHANGED: {
    status: 409,
    message: 'Someone else changed this kit meanwhile. Look at it again; what you typed is kept.',
  },
  KIT_TAKEN: {
    status: 409,
    message:
      'On these days the kit belongs to somebody else, or has to be made ready. Other days and kits are named.',
  },
  KIT_PROMISED: {
    status: 409,
    message:
      'This kit is promised to somebody else for these days. Lend another, bring it back sooner, or move the promise.',
  },
  KIT_TRAVELS: {
    status: 409,
    message: 'The van takes this kit to another branch then. Choose days before it, or promise it there.',
  },
  TRANSFER_IN_THE_WAY: {
    status: 409,
    message:
      'Loans of this kit aren’t over by then: they are named. Move or cancel them first, or choose a later day.',
  },
  NO_VAN: {
    status: 422,
    message: 'The van doesn’t go from one branch to the other on that day. Choose one of the days named.',
  },
  CARD_ONLY: {
    status: 422,
    message: 'This branch keeps card numbers only. Type the number of the card; a name isn’t kept.',
  },
  CLOSED_DAY: { status: 422, message: 'The desk is closed on that day. Choose one on which it is open.' },
  PROMISE_IN_PAST: { status: 422, message: 'A kit can’t be promised for a day that is over.' },
  TOO_FAR_AHEAD: { status: 422, message: 'Nothing is promised so far ahead. Choose an earlier day.' },
  RETURN_BEFORE_PICK_UP: { status: 422, message: 'The day of return must lie after the day of pick-up.' },
  OUTSIDE_PICK_UP: {
    status: 422,
    message: 'Kits aren’t handed out at that time. Choose one within the hours named.',
  },
  KIT_GONE: { status: 409, message: 'This kit is lost or retired: nobody can have it.' },
  KIT_OUT: { status: 409, message: 'This kit is out already. Take it back first.' },
  LOAN_CLOSED: { status: 409, message: 'This loan was taken back meanwhile. Both versions are shown.' },
  LATER_LOAN: {
    status: 409,
    message: 'This kit has been out again since. What lies in its case now is put right at its newest loan.',
  },
  LOAN_CHANGED: { status: 409, message: 'This loan was changed or taken back meanwhile. Look at it again.' },
  KEY_REUSED: {
    status: 409,
    message: 'This was sent before, for something else. Load the page again and send it anew.',
  },
  CODE_TAKEN: { status: 409, message: 'This kit code is in use. Give the kit another code in the list.' },
  EMAIL_TAKEN: { status: 409, message: 'Somebody has this mail address already.' },
  NOT_FIT: { status: 422, message: 'This kit is not fit to go out. A coordinator may overrule it with a reason.' },
  NEVER: { status: 422, message: 'This kit is held for safety. Nobody may overrule it; only the named cure helps.' },
  DUE_IN_PAST: { status: 422, message: 'The day of return must lie after today.' },
  SUN_NOT_ASKED: {
    status: 422,
    message:
      'The finder counts only once somebody has said that the tube can’t meet the Sun. It goes unasked only at night, with this machine’s clock, the place and its zone in agreement. Answer the question at the finder.',
  },
  MARKS_INCOMPLETE: { status: 422, message: 'Some parts are not looked at yet.' },
  AGREEMENT_OLD: { status: 422, message: 'The agreement has a newer version. Show it again and have it accepted.' },
  CELL_UNANSWERED: {
    status: 422,
    message: 'A coin cell is missing. Speak to the borrower now and write down the answer; then go on.',
  },
  TOO_EARLY: { status: 422, message: 'It must dry in the open for a day at least. Come back when the time is over.' },
  NOT_COMPLETE: {
    status: 422,
    message:
      'Only a complete kit can be weighed as the one to compare with. Count it first, and put right what is off.',
  },
  WEIGHT_DOUBTFUL: {
    status: 422,
    message:
      'The masses on the card don’t add up to this. Check that everything is in and nothing else is. Then confirm, or weigh again.',
  },
  NO_SPARE: { status: 409, message: 'There are not so many in the drawer any more.' },
  NO_ADDRESS: {
    status: 422,
    message: 'There is no mail address for this borrower. Ring them, or write the address in.',
  },
  NOT_A_ZIP: { status: 400, message: 'This file is not a zip we can read. Choose the one with the pictures.' },
  NOT_A_PICTURE: { status: 400, message: 'This file is not a picture we can read. Send a JPEG, PNG or WebP.' },
  NOT_AN_ARCHIVE: { status: 400, message: 'This file is not one of our archives, or it is of a later version.' },
  MODEL_CHANGED: { status: 409, message: 'Someone else changed this model meanwhile. Look at it again.' },
  NOT_MEASURED: {
    status: 422,
    message: 'The tube of this model isn’t measured yet. Measure it once in Set-up, under its mount and tube.',
  },
  NOTHING_TO_CHARGE: {
    status: 422,
    message: 'None of these kits has a pack that is charged. Choose one that has.',
  },
  SITE_CHANGED: { status: 409, message: 'Someone else changed this place meanwhile. Look at it again.' },
  JOB_CHANGED: { status: 409, message: 'Someone else settled or changed this meanwhile.' },
  TOO_LONG: { status: 422, message: 'This would take too long. Make it smaller and try again.' },
  LIST_HAS_PROBLEMS: { status: 422, message: 'Some rows can’t be read. Correct them or leave them out.' },
  LIST_HAS_QUESTIONS: { status: 422, message: 'Some things in the list only you can decide. Answer them first.' },
  LAST_COORDINATOR: { status: 422, message: 'A branch needs one coordinator at least. Invite another one first.' },
  LAST_ROLE: {
    status: 422,
    message: 'Without any branch they couldn’t sign in. Say that they have left instead.',
  },
  FILTER_UNCHECKED: {
    status: 422,
    message: 'Hold the front filter against a lamp first: one pinhole, and it stays here.',
  },
  CHANGED_MEANWHILE: {
    status: 409,
    message: 'Somebody else was faster. Look at it again; what you typed is kept.',
  },
  DUE_TOO_FAR: { status: 422, message: 'Nothing is lent for so long. Choose an earlier day of return.' },
  WRONG_OLD_PASSWORD: {
    status: 422,
    message: 'That isn’t the password you sign in with now. Try again, or ask your coordinator for a new one.',
  },
  WEAK_PASSWORD: {
    status: 422,
    message: 'This password is among the first that are tried. Take a few words that only you would put together.',
  },
  BUSY: {
    status: 429,
    message: 'More is being asked of the server at once than it can do. Nothing was changed; try again in a moment.',
  },
  DATABASE_AWAY: {
    status: 503,
    message:
      'The library’s records can’t be reached just now. What you typed is kept here; it is tried again by itself.',
  },
  TOO_MANY: { status: 429, message: 'Too many tries. Wait a minute and try again.' },
  TOO_LARGE: { status: 413, message: 'What was sent is too large.' },
  OUR_FAULT: { status: 500, message: 'Something went wrong on our side. Nothing was changed; try again.' },
} as const satisfies Record<string, { status: number; message: string }>

export type ErrorCode = keyof typeof errorCatalogue

export const errorReplySchema = z.object({
  error: z.object({
    code: z.string(),
    message: z.string(),
    issues: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
    details: z.unknown().optional(),
    requestId: z.string().optional(),
  }),
})
export type ErrorReply = z.infer<typeof errorReplySchema>
