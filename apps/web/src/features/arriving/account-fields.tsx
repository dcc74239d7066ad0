import { looksLikeEmail } from '@semita/core/roster';
import type { FieldErrors, UseFormRegister } from 'react-hook-form';
import { Field, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** What every new account needs; teachers sign in by their e-mail, students by a user name. */
export interface AccountValues {
  displayName: string;
  email: string;
  userName: string;
  password: string;
}

export const noAccount: AccountValues = { displayName: '', email: '', userName: '', password: '' };

interface Props {
  readonly of: 'teacher' | 'student';
  readonly register: UseFormRegister<AccountValues>;
  readonly errors: FieldErrors<AccountValues>;
}

export function AccountFields({ of, register, errors }: Props) {
  const isStudent = of === 'student';
  return (
    <>
      <Field
        label={t('arriving.yourName')}
        help={t(isStudent ? 'arriving.nameHelpStudent' : 'arriving.nameHelp')}
        error={errors.displayName && t('arriving.nameMissing')}
      >
        {(ids) => (
          <TextInput
            {...ids}
            {...register('displayName', { validate: (text) => text.trim() !== '' })}
            autoComplete="name"
            className="h-11"
            maxLength={100}
          />
        )}
      </Field>
      {isStudent ? (
        <Field
          label={t('arriving.userName')}
          help={t('arriving.userNameHelp')}
          error={errors.userName && t('arriving.userNameMissing')}
        >
          {(ids) => (
            <TextInput
              {...ids}
              {...register('userName', {
                validate: (text) => /^[\p{L}\p{N}][\p{L}\p{M}\p{N}._-]*$/u.test(text.trim()),
              })}
              autoComplete="username"
              autoCapitalize="none"
              className="h-11"
              maxLength={60}
            />
          )}
        </Field>
      ) : (
        <Field
          label={t('arriving.email')}
          help={t('arriving.emailHelp')}
          error={errors.email && t('arriving.emailMissing')}
        >
          {(ids) => (
            <TextInput
              {...ids}
              {...register('email', { validate: looksLikeEmail })}
              type="email"
              autoComplete="username"
              className="h-11"
              maxLength={200}
            />
          )}
        </Field>
      )}
      <Field
        label={t('arriving.password')}
        help={t('arriving.passwordHelp')}
        error={errors.password && t('arriving.passwordShort')}
      >
        {(ids) => (
          <TextInput
            {...ids}
            {...register('password', { minLength: 8, required: true })}
            type="password"
            autoComplete="new-password"
            className="h-11"
            maxLength={200}
          />
        )}
      </Field>
    </>
  );
}
