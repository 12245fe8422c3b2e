\version "2.24.0"
\include "swing.ly"
music = { c''8 d'' e'' f'' g'' a'' b'' c''' c''4 d''8 e'' r8 f''8 g''4 }
\score { \new Staff { \tempo 4=120 \tripletFeel 8 { \music } } \midi { } }
\score { \new Staff { \tempo 4=120 \applySwing 8 #'(3 1) { \music } } \midi { } }
