-- Passes that were written down with bars no song has: they are of the bars there can be.
update practice_pass set first_bar = least(first_bar, 9999), last_bar = least(last_bar, 9999) where last_bar > 9999 or first_bar > 9999;
