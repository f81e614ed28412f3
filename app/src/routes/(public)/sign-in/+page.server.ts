import { fail, redirect } from '@sveltejs/kit';
import * as z from 'zod';
import { keepDevice } from '$lib/device.server';
import { passCookies } from '$lib/requests.server';
import { DEVICE_COOKIE } from '$lib/server/platform/auth/knownDevices';
import { signInStaff, signInStudent, type SignedIn } from '$lib/server/platform/auth/signIn';
import { database } from '$lib/server/platform/db/database';
import { isNew } from '$lib/server/people/firstTeacher';
import type { Actions, PageServerLoad } from './$types';
import type { Cookies } from '@sveltejs/kit';
import { say } from '@kelbrin/core/words';

const studentForm = z.object({
  code: z.string().min(1).max(40),
  name: z.string().min(1).max(80),
  pin: z.string().min(1).max(20),
});
const staffForm = z.object({ email: z.string().min(1).max(200), password: z.string().min(1).max(200) });

export const load: PageServerLoad = async ({ locals }) => {
  if (locals.person) redirect(303, '/');
  if (await isNew(database())) redirect(303, '/begin');
};

export const actions: Actions = {
  student: async ({ request, cookies, url }) => {
    const form = studentForm.safeParse(Object.fromEntries(await request.formData()));
    if (!form.success)
      return fail(400, { who: 'student', message: say('Fill in the class code, your name and your PIN.') });
    const { code, name, pin } = form.data;
    const device = cookies.get(DEVICE_COOKIE);
    return finish('student', await signInStudent(database(), code, name, pin, device), cookies, url);
  },
  staff: async ({ request, cookies, url }) => {
    const form = staffForm.safeParse(Object.fromEntries(await request.formData()));
    if (!form.success)
      return fail(400, { who: 'staff', message: say('Fill in your e-mail address and your password.') });
    const { email, password } = form.data;
    const device = cookies.get(DEVICE_COOKIE);
    return finish('staff', await signInStaff(database(), email, password, device), cookies, url);
  },
};

function finish(who: 'student' | 'staff', result: SignedIn, cookies: Cookies, url: URL) {
  if (!result.ok) return fail(400, { who, message: result.message });
  passCookies(cookies, result.setCookies);
  keepDevice(cookies, url, result.device);
  redirect(303, '/');
}
