/** What can go wrong where people sign in, and on the pages of a team’s owner. */
export const accountFaults = {
  'no-accounts': 'On one’s own machine there is nothing to sign in to.',
  'wrong-sign-in': 'The mail address, the password or the code is wrong.',
  'code-needed': 'Type the code of your second factor.',
  'sign-in-locked':
    'There were too many attempts. Try again in {minutes, plural, one {# minute} other {# minutes}}.',
  'short-password': 'At least {least, number} characters: a few words that do not belong together, say.',
  'long-password': 'At most {most, number} characters.',
  'easy-password':
    'This is too easily guessed. Choose something without your name, years and common words, or a longer one.',
  'wrong-password': 'This is not your password.',
  'wrong-code':
    'This code is not right now. Wait for the next one, and see that the clock of your device is right.',
  'link-over': 'This link leads nowhere: it was used, withdrawn, or is too old. Ask for a new one.',
  'no-such-link': 'This link was withdrawn or has run out.',
  'wrong-link-password': 'This is not the password of this link.',
  'too-many-links': 'A job has at most {limit, number} links. Withdraw one first.',
  'has-account': '{mail} has an account already.',
  'mail-needed': 'Type your mail address.',
  'no-such-invitation': 'This invitation was used or withdrawn.',
  'no-such-work': 'This was done or removed meanwhile.',
  'no-such-member': 'This member has left the team.',
  'not-a-mail-address': '“{mail}” is no mail address. One looks like name@example.com.',
  'pale-colour':
    'This colour is too pale for text on paper: its contrast with white is {contrast, number}, and {least, number} are needed. Choose a darker one.',
  'not-a-logo': 'This is neither a PNG nor a JPEG picture.',
  'logo-size':
    'The logo has {widthPx, number} by {heightPx, number} pixels; {most, number} on each side are the most. Save it smaller.',
  'last-owner': 'A team has at least one owner: make somebody else one first.',
} as const
