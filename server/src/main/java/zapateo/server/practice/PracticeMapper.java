package zapateo.server.practice;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Goals and the log in PostgreSQL. */
@Mapper
interface PracticeMapper {

    String GOALS =
            "select g.song_id, g.owner, s.title, g.tempo, g.until, g.level, g.seconds, g.pieces, g.updated_at from "
                    + "practice_goal g join song s on s.id = g.song_id "
                    + "where g.owner = #{owner} and s.deleted_at is null";
    String PASSES = "select p.id, p.owner, p.song_id, s.title, p.arrangement_id, p.arrangement, p.song_version, "
            + "p.played_at, p.played_on, p.first_bar, p.last_bar, p.layer, p.tempo, p.clean, "
            + "p.right_share, p.uneven_ms, p.seconds, p.word, p.hurt from practice_pass p join song s on "
            + "s.id = p.song_id where p.owner = #{owner}";

    @Select("select count(*) from song where owner = #{owner} and id = #{song} and deleted_at is null")
    int songs(@Param("owner") UUID owner, @Param("song") UUID song);

    @Insert("insert into milestone (name, at) values (#{name}, now()) on conflict do nothing")
    int reach(@Param("name") String name);

    /** A song by its title, the first of that name. */
    @Select("select id, chart, figure from song where owner = #{owner} and title = #{title} "
            + "and deleted_at is null order by created_at limit 1")
    Optional<NamedSong> named(@Param("owner") UUID owner, @Param("title") String title);

    record NamedSong(UUID id, String chart, String figure) {}

    @Select(GOALS + " order by s.title, g.song_id")
    List<GoalRow> goals(@Param("owner") UUID owner);

    @Insert("insert into practice_goal (song_id, owner, tempo, until, level, seconds, pieces, updated_at) values "
            + "(#{songId}, #{owner}, #{tempo}, #{until}, #{level}, #{seconds}, #{pieces}, #{updatedAt}) "
            + "on conflict (song_id) do update set tempo = excluded.tempo, until = excluded.until, level = "
            + "excluded.level, seconds = excluded.seconds, pieces = excluded.pieces, updated_at "
            + "= excluded.updated_at")
    void set(GoalRow goal);

    @Delete("delete from practice_goal where owner = #{owner} and song_id = #{song}")
    int drop(@Param("owner") UUID owner, @Param("song") UUID song);

    @Select(PASSES + " and p.played_on >= #{since} order by p.played_at desc, p.id limit #{most}")
    List<PassRow> passes(@Param("owner") UUID owner, @Param("since") LocalDate since, @Param("most") int most);

    @Insert("insert into practice_pass (id, owner, song_id, arrangement_id, arrangement, song_version, played_at, "
            + "played_on, first_bar, last_bar, layer, tempo, clean, right_share, uneven_ms, seconds, "
            + "word, hurt) "
            + "values (#{id}, #{owner}, #{songId}, #{arrangementId}, #{arrangement}, #{songVersion}, "
            + "#{playedAt}, #{playedOn}, #{firstBar}, #{lastBar}, #{layer}, #{tempo}, #{clean}, "
            + "#{rightShare}, #{unevenMs}, "
            + "#{seconds}, #{word}, #{hurt}) on conflict (id) do update set word = excluded.word, hurt = "
            + "excluded.hurt where practice_pass.owner = excluded.owner")
    int insert(PassRow pass);

    @Delete("delete from practice_pass where owner = #{owner} and id = #{id}")
    int delete(@Param("owner") UUID owner, @Param("id") UUID id);

    @Insert("insert into practice_steps (id, owner, song_id, stepped_at, stepped_on, first_bar, last_bar, layer, ms) "
            + "values (#{id}, #{owner}, #{songId}, #{steppedAt}, #{steppedOn}, #{firstBar}, #{lastBar}, "
            + "#{layer}, string_to_array(#{ms}, ' ')::integer[]) on conflict do nothing")
    int insertSteps(StepRow row);

    @Select("select id, owner, song_id, stepped_at, stepped_on, first_bar, last_bar, layer, array_to_string(ms, ' "
            + "') as ms from practice_steps "
            + "where owner = #{owner} and song_id = #{song} and first_bar = #{first} and last_bar = #{last} "
            + "and layer = #{layer} order by stepped_at desc, id limit #{most}")
    List<StepRow> steps(
            @Param("owner") UUID owner,
            @Param("song") UUID song,
            @Param("first") int first,
            @Param("last") int last,
            @Param("layer") String layer,
            @Param("most") int most);
}
