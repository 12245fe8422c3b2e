package zapateo.server.songs;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** The states of songs, and what they say, in PostgreSQL. */
@Mapper
interface VersionMapper {

    String FIELDS = "version, title, arrangement, figure, name, chart_hash, choices_hash, saved_at";

    @Insert("insert into song_version (song_id, version, title, arrangement, figure, chart_hash, choices_hash, "
            + "saved_at) values (#{song}, #{state.version}, #{state.title}, #{state.arrangement}, "
            + "#{state.figure}, #{state.chartHash}, #{state.choicesHash}, #{state.savedAt})")
    void insert(@Param("song") UUID song, @Param("state") VersionRow state);

    /** All of the last hour, then the last of each hour, then of each day; named ones always. */
    @Select("select " + FIELDS
            + " from (select distinct on (place) * from (select *, case when name is not null or saved_at > "
            + "#{now}::timestamptz - interval '1 hour' then 'v' || version "
            + "when saved_at > #{now}::timestamptz - interval '1 day' then 'h' || date_trunc('hour', "
            + "saved_at) else 'd' || date_trunc('day', saved_at) end as place "
            + "from song_version where song_id = #{song}) all_of_them order by place, version desc) thinned "
            + "where version < #{before} order by version desc limit #{most}")
    List<VersionRow> thinned(
            @Param("song") UUID song,
            @Param("before") int before,
            @Param("most") int most,
            @Param("now") OffsetDateTime now);

    @Select("select " + FIELDS + " from song_version where song_id = #{song} and version = #{version}")
    Optional<VersionRow> find(@Param("song") UUID song, @Param("version") int version);

    @Update("update song_version set name = #{name} where song_id = #{song} and version = #{version}")
    int name(@Param("song") UUID song, @Param("version") int version, @Param("name") String name);

    @Insert("insert into song_content (song_id, hash, base, packed) values (#{song}, #{text.hash}, #{text.base}, "
            + "#{text.packed}) on conflict do nothing")
    void keep(@Param("song") UUID song, @Param("text") ContentRow text);

    @Select("select hash, base, packed, plain from song_content where song_id = #{song} and hash = #{hash}")
    Optional<ContentRow> content(@Param("song") UUID song, @Param("hash") UUID hash);

    /** The last text that leans on none among the latest charts of a song. */
    @Select("select c.hash, c.base, c.packed, c.plain from (select version, chart_hash from song_version where "
            + "song_id = #{song} order by version desc limit #{most}) v "
            + "join song_content c on c.song_id = #{song} and c.hash = v.chart_hash where c.base is null "
            + "order by v.version desc limit 1")
    Optional<ContentRow> lastChartAlone(@Param("song") UUID song, @Param("most") int most);

    /** The same among the latest choices. */
    @Select("select c.hash, c.base, c.packed, c.plain from (select version, choices_hash from song_version where "
            + "song_id = #{song} order by version desc limit #{most}) v "
            + "join song_content c on c.song_id = #{song} and c.hash = v.choices_hash where c.base is null "
            + "order by v.version desc limit 1")
    Optional<ContentRow> lastChoicesAlone(@Param("song") UUID song, @Param("most") int most);
}
