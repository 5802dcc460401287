# What the command line says.

no_such_language = there are no words for “{ $language }” (KOPJE_LANGUAGE) in { $folder }. It speaks: { $spoken }. Nothing was started.
file_cannot_be_opened = cannot be opened ({ $why })
first_tune_written = the first of { $count } tunes was written
cli_home = { $title }: do = { $do }, rests on { $resting }, { $tonality } ({ $sure }: { $why })
cli_tones = tones { $tones } ({ $name }), form { $form }
cli_is_at = Kopje is at { $address }{ $said }
cli_data_in = its data is in { $folder }
cli_moved = The school's data was moved from { $old } to { $new }, where the system keeps what must not be lost.
cli_loading = Kestrel Ridge School is taught: week { $week } of { $weeks }.
cli_loaded = Loaded Kestrel Ridge School in { $seconds } s.
cli_sign_in = sign in as “{ $login }”, password “{ $password }”
cli_rebuilt = { $school }: { $count ->
    [0] nothing differed
    [one] { $count } row differed
   *[other] { $count } rows differed
  } ({ $rows })
cli_backed_up = Everything is in { $file } ({ $kilobytes } kB).
cli_restored = { $schools } is back as of { DATETIME($day, dateStyle: "long") }: { $count } rows. Everybody signs in anew.
cli_set_aside = The school that was here is kept as the database { $name }.
cli_before_update = Before this version changes the tables, everything was copied to { $file }.
cli_passphrase = Passphrase of the backup:
cli_passphrase_new = Passphrase for the backup (kept nowhere; without it nobody can open it):
cli_first_code = The first page asks for this code: { $letters }
cli_password_new = New password:
cli_password_set = { $login } signs in with the new password from now on, on every device anew.
cli_erased_again = { $count ->
    [one] One child that was erased since then was erased again.
   *[other] { $count } children that were erased since then were erased again.
  }
generated_level = Reading, level { $level }, no. { $number }
generated_rhythm = Rhythm, no. { $number }
generated_melody = Melody, no. { $number }
part_treble_1 = S1
part_treble_2 = S2
part_alto = A
