/** What a person needs to try the demo. The password is the same for all. */
export const DEMO_SIGN_INS = [
  '  Demo sign-ins, all with the password walk-the-trail',
  '    edda@tarnhollow.example   manager     plans the day',
  '    sef@tarnhollow.example    reviewer    reads what comes back',
  '    imke@tarnhollow.example   technician  on the phone, cableways',
  '    marn@tarnhollow.example   technician  on the phone, huts',
  '    nell@selkieholm.example   everything  in an organisation that begins today',
  '',
].join('\n');
