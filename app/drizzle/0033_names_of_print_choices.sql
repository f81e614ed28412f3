-- What was chosen for a plate has other names now.
UPDATE "plates" SET "choice" = ("choice" - 'perimeters' - 'infillPattern')
  || jsonb_build_object('set', CASE "choice" ->> 'set' WHEN 'draft' THEN 'trial' WHEN 'fine' THEN 'detail' ELSE 'everyday' END)
  || CASE WHEN "choice" ? 'perimeters' THEN jsonb_build_object('wallLines', "choice" -> 'perimeters') ELSE '{}' END
  || CASE WHEN "choice" ? 'infillPattern'
       THEN jsonb_build_object('infillDirections', CASE "choice" ->> 'infillPattern' WHEN 'lines' THEN 1 WHEN 'grid' THEN 2 ELSE 3 END)
       ELSE '{}' END;
